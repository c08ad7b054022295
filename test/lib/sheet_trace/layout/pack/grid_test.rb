# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Grid do
  grid = SheetTrace::Layout::Pack::Grid
  mask = SheetTrace::Layout::Pack::Mask
  full = ->(columns, rows) { mask.new(Array.new(rows, (1 << columns) - 1)) }
  fine = grid::FINE
  # Puts a block of coarse cells down as a packing does, without a gutter.
  put =
    lambda do |on, columns, rows|
      on
        .place_for(full.call(columns, rows))
        &.tap { |column, row| on.take(full.call(columns * fine, rows * fine), column * fine, row * fine) }
    end

  it "gives the uppermost place, and the leftmost of these, until nothing fits" do
    on = grid.new(4, 3, 0)

    assert_equal [[0, 0], [3, 0], [0, 2], [2, 2]], [[3, 2], [1, 1], [2, 1], [2, 1]].map { |size| put.call(on, *size) }
    assert_equal [3, 1], put.call(on, 1, 1)
    assert_nil put.call(on, 1, 1)
  end

  it "agrees with trying every place, for masks with gaps and holes" do
    random = Random.new(11)
    10.times do
      on = grid.new(9, 7, 0)
      taken = Array.new(7) { 0 }
      12.times do
        of = mask.new(Array.new(random.rand(1..3)) { random.rand(1..15) })
        wanted =
          (0..(7 - of.height))
            .to_a
            .product((0..(9 - of.width)).to_a)
            .find { |row, column| of.rows.each_with_index.all? { |bits, i| taken[row + i].nobits?((bits << column)) } }

        if wanted.nil?
          assert_nil on.place_for(of)
          next
        end

        assert_equal wanted.reverse, on.place_for(of)
        of.rows.each_with_index { |bits, i| taken[wanted[0] + i] |= bits << wanted[1] }
        wide =
          of.rows.flat_map do |bits|
            [bits.digits(2).each_with_index.sum { |bit, i| (bit * ((1 << fine) - 1)) << (i * fine) }] * fine
          end
        on.take(mask.new(wide), wanted[1] * fine, wanted[0] * fine)
      end
    end
  end

  it "has no place for what is larger than the sheet" do
    on = grid.new(4, 3, 0)

    assert_nil on.place_for(full.call(5, 1))
    assert_nil on.place_for(full.call(1, 4))
  end

  it "slides up and left by fine cells as far as it is free" do
    on = grid.new(4, 4, 0)
    on.take(full.call(5, 3), 0, 0)

    assert_equal [0, 3], on.slid(full.call(4, 4), 0, 4)
    assert_equal [5, 0], on.slid(full.call(4, 4), 8, 0)
  end
end
