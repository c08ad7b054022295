# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../server/api_files"

describe SheetTraceServer::ApiFiles do
  root = File.expand_path("../..", __dir__)

  SheetTraceServer::ApiFiles.all.each do |path, content|
    it "has made #{path} of today's declarations; run rake api where it has not" do
      assert_equal content, File.read(File.join(root, path))
    end
  end

  it "knows every operation, each with a purpose" do
    SheetTrace::Operations::NAMES.names.each do |name|
      assert_operator SheetTrace::Operations::Reference.purpose(name).size, :>, 20, name
    end
  end
end
