# frozen_string_literal: true

require_relative "../test_helper"

describe "docs/sources.md" do
  it "names every file whose comments name a source, and no other" do
    core = File.expand_path("../../lib/sheet_trace", __dir__)
    naming = Dir["#{core}/**/*.rb"].select { |path| File.read(path).match?(/# Sources?: /) }
    page = File.read(File.expand_path("../../docs/sources.md", __dir__))

    assert_equal naming.map { |path| path.delete_prefix("#{core}/") }.sort, page.scan(/^\| `([^`]+)`/).flatten.uniq.sort
  end
end
