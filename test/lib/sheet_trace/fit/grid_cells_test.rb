# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::GridCells do
  grid = ->(*size, **options) { SheetTrace::Fit::GridCells.call(*size, **options) }
  boxes = ->(cells) { cells.map(&:box) }

  it "divides a picture row by row, with letters for columns and numbers for rows" do
    cells = grid.call(100, 60, columns: 2, rows: 3)

    assert_equal %w[A1 B1 A2 B2 A3 B3], cells.map(&:name)
    assert_equal [[0, 0, 50, 20], [50, 0, 100, 20]], boxes.call(cells).first(2)
    assert_equal "AB1", grid.call(300, 10, columns: 30, rows: 1)[27].name
  end

  it "leaves gutters between cells and a margin round them" do
    # 100 = 4 + 28 + 4 + 28 + 4 + 28 + 4
    assert_equal [[4, 4, 32, 16], [36, 4, 64, 16], [68, 4, 96, 16]],
                 boxes.call(grid.call(100, 20, columns: 3, rows: 1, gutter_px: 4, margin_px: 4))
  end

  it "loses no px where they don't go up: cells differ by one at the most" do
    cells = grid.call(101, 7, columns: 6, rows: 1)

    assert_equal [0, 101], [cells.first.box[0], cells.last.box[2]]
    assert_equal boxes.call(cells).map { |box| box[2] }[0...-1], boxes.call(cells).map(&:first).drop(1)
    assert_operator cells.map(&:width).minmax.reduce(:-).abs, :<=, 1
  end

  it "refuses what does not fit, and far too many" do
    where = { columns: 5, rows: 1 }

    assert_refused(SheetTrace::InputError, where) { grid.call(20, 20, columns: 5, rows: 1, gutter_px: 5) }
    assert_refused(SheetTrace::InputError) { grid.call(9000, 9000, columns: 100, rows: 100) }
  end
end
