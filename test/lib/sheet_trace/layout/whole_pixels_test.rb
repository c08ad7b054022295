# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::WholePixels do
  whole = ->(points, **options) { SheetTrace::Layout::WholePixels.call(Numo::DFloat.cast(points), **options).to_a }

  it "keeps columns and rows, and so right angles" do
    assert_equal [[1, 2], [9, 2], [9, 20], [1, 20]], whole.call([[1.1, 2.2], [9.3, 2.3], [9.2, 20.4], [1.2, 20.2]])
  end

  # Four panels of 8.4 px: 8 each moves the columns by 0.8 + 0.4 + 0 + 0.4 + 0.8 px, 9 each by 1.2 + 0.6 + 0 + 0.6 +
  # 1.2.
  it "keeps equal panels equal, with the least movement in all" do
    columns = whole.call((0..4).map { |i| [3.2 + (8.4 * i), 0] }).map(&:first)

    assert_equal [8], columns.each_cons(2).map { |a, b| b - a }.uniq
    assert_in_delta 20, columns[2], 0.5 # of 3.2 + 16.8
  end

  it "keeps unequal panels apart, and none falls onto another" do
    from = [0.2, 4.3, 10.9, 11.3]
    gaps, wanted =
      [whole.call(from.map { |x| [x, 0] }).map(&:first), from].map do |columns|
        columns.each_cons(2).map { |a, b| b - a }
      end

    assert_operator gaps.min, :>=, 1
    gaps.zip(wanted) { |gap, was| assert_in_delta was, gap, 1 }
  end

  it "goes to middles of pixels, and takes a single point" do
    assert_equal [[4.5, 7.5]], whole.call([[4.2, 7.9]], offset: 0.5)
  end
end
