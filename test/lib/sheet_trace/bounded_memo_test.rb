# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::BoundedMemo do
  let(:memo) { SheetTrace::BoundedMemo.new(limit: 10) }

  it "works a value out once" do
    asked = 0

    2.times { assert_equal "abc", memo.fetch(:a) { (asked += 1) && "abc" } }

    assert_equal 1, asked
  end

  it "lets go of what was not asked for the longest, once there are too many bytes" do
    %w[a b].each { |key| memo.fetch(key) { "123#{key}" } }

    memo.fetch("a") { flunk }
    memo.keep("c", "123")

    assert_equal ["123a", nil, "123"], %w[a b c].map { |key| memo[key] }
  end

  it "counts what takes another's place, and what is nothing" do
    5.times { memo.keep("a", "123456") }
    memo.keep("b", nil)
    memo.keep("c", "1234")

    assert_equal %w[123456 1234], %w[a c].map { |key| memo[key] }
  end

  it "keeps one value however large it is" do
    memo.keep("small", "1")
    memo.keep("large", "1" * 50)

    assert_equal [nil, 50], [memo["small"], memo["large"].size]
  end
end
