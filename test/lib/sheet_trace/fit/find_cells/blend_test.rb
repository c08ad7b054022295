# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::FindCells::Blend do
  # Rows of px: a letter a region, with its colour.
  blended =
    lambda do |rows, colors|
      names = colors.keys
      labels = Numo::Int32.cast(rows.map { |row| row.chars.map { |char| names.index(char) + 1 } })
      pixels = Numo::Int32.cast(rows.join.chars.map { |char| [*colors[char], 255] })
      SheetTrace::Fit::FindCells::Blend
        .call(labels, pixels)
        .to_a
        .map { |row| row.map { |number| names[number - 1] }.join }
    end
  wide = %w[aaaambbbb] * 5

  it "gives a smoothed edge to the side that it is more like" do
    colors = { "a" => [0, 0, 0], "b" => [200, 100, 0] }

    assert_equal %w[aaaaabbbb] * 5, blended.call(wide, { **colors, "m" => [60, 30, 0] })
    assert_equal %w[aaaabbbbb] * 5, blended.call(wide, { **colors, "m" => [140, 70, 0] })
  end

  it "leaves a line of a colour of its own, and what is no line" do
    assert_equal wide, blended.call(wide, { "a" => [0, 0, 0], "b" => [200, 100, 0], "m" => [60, 30, 90] })
    thick = %w[aaaammmbbbb] * 5

    assert_equal thick, blended.call(thick, { "a" => [0, 0, 0], "b" => [200, 100, 0], "m" => [60, 30, 0] })
  end
end
