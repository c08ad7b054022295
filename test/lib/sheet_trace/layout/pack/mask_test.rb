# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Mask do
  mask = SheetTrace::Layout::Pack::Mask
  # A closed outline that covers its inside once.
  outline = ->(points) { points.zip(points.rotate).map { |(x1, y1), (x2, y2)| [x1, y1, x2, y2, 1] } }
  picture = ->(of) { of.rows.map { |row| (0...of.width).map { |column| row[column] == 1 ? "#" : "." }.join } }

  it "takes every cell that a rectangle touches, and none beyond it" do
    assert_equal %w[### ###], picture.call(mask.of_lines(outline.call([[0, 0], [2.9, 0], [2.9, 1.9], [0, 1.9]])))
    assert_equal %w[#### #### ####], picture.call(mask.of_lines(outline.call([[0, 0], [3.1, 0], [3.1, 2.1], [0, 2.1]])))
  end

  it "fills what lies inside an outline and leaves its holes open" do
    ring =
      outline.call([[0, 0], [6.9, 0], [6.9, 6.9], [0, 6.9]]) +
        outline.call([[1.1, 1.1], [1.1, 5.9], [5.9, 5.9], [5.9, 1.1]])

    assert_equal %w[####### ####### ##...## ##...## ##...## ####### #######], picture.call(mask.of_lines(ring))
  end

  it "takes the cells of a line without width, and one at least" do
    assert_equal ["####"], picture.call(mask.of_lines([[0, 0, 4, 0, 1]]))
    assert_equal ["#"], picture.call(mask.of_lines([[0, 0, 0, 0, 1]]))
  end

  it "grows by all cells nearer than the reach: a disc of cells about one" do
    grown = mask.new([1]).grown(1.2)

    assert_equal %w[.###. ##### ##### ##### .###.], picture.call(grown)
    assert_equal mask.new([1]).rows, mask.new([1]).grown(0).rows
  end

  it "is made of blocks that cover each cell once" do
    random = Random.new(5)
    20.times do
      of = mask.new(Array.new(6) { random.rand(1..255) })
      cells =
        of.blocks.flat_map do |row, rows, column, columns|
          (row...(row + rows)).to_a.product((column...(column + columns)).to_a)
        end

      assert_equal cells.uniq.size, cells.size
      assert_equal of.rows.sum { |row| row.digits(2).sum }, cells.size
      assert(cells.all? { |row, column| of.rows[row][column] == 1 })
    end
  end
end
