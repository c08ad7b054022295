# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Cells do
  cells = ->(width, height, most = 64) { SheetTrace::Layout::Pack::Cells.new([width.to_f, height.to_f], most) }

  it "has cells of whole px, or of a half or quarter, at most as many as asked for" do
    [[1024, 1024], [1000, 300], [33, 17], [5000, 8000]].each do |width, height|
      own = cells.call(width, height)

      assert_operator [width, height].max / own.coarse_px, :<=, 64 + 1e-9
      assert_includes [own.fine_px, 1 / own.fine_px].map { |px| px % 1 }, 0.0
      assert_operator own.rows * own.fine_px, :<=, height
    end
  end

  it "reckons a gutter in fine cells" do
    own = cells.call(4096, 4096)

    assert_in_delta 10, own.reach(10 * own.fine_px)
  end
end
