# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

describe "the memory of a process" do
  # MB that it has after an array of 128 MB was given back, and after it has given back what is free.
  def rest_mb(reuse:)
    program = <<~RUBY
      require "numo/narray"
      require "./config/memory"
      Memory.reuse if #{reuse}
      mb = -> { File.read("/proc/self/status")[/VmRSS:\\s+(\\d+)/, 1].to_i / 1024 }
      before = mb.call
      Numo::UInt8.ones(128 << 20).free
      kept = mb.call - before
      Memory.give_back
      puts [kept, mb.call - before].join(" ")
    RUBY
    out, status = Open3.capture2e(RbConfig.ruby, "-rbundler/setup", "-e", program)

    assert_predicate status, :success?, out
    out.split.map(&:to_i)
  end

  it "is used again once it was given back, until it is asked for" do
    kept, after = rest_mb(reuse: true)

    assert_operator kept, :>, 100
    assert_operator after, :<, 50
  end

  it "goes back at once otherwise" do
    assert_operator rest_mb(reuse: false).first, :<, 50
  end
end
