# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::MainColors do
  define_method(:image) do |width, height, &color|
    pixels = Numo::UInt8.cast((0...height).flat_map { |y| (0...width).map { |x| color.call(x, y) } })
    SheetTrace::Artwork::Patch.image(pixels.reshape(width * height, 4), width, height)
  end

  it "gives the colours exactly, those that take up most first, without what is transparent or nearly the same" do
    found =
      SheetTrace::Artwork::MainColors.call(
        image(40, 10) do |x, y|
          next 255, 0, 255, 0 if x < 10

          if x < 28
            [47, 90, 69 + (y.zero? ? 2 : 0), 255]
          else
            [232, 217, 166, 255]
          end
        end
      )

    assert_equal %w[#2f5a45 #e8d9a6], found
  end

  it "gives at most as many as asked for, and none of nothing" do
    spread = image(64, 4) { |x, _y| [x * 4, 255 - (x * 4), (x % 2) * 200, 255] }

    assert_equal 3, SheetTrace::Artwork::MainColors.call(spread, most: 3).size
    assert_empty SheetTrace::Artwork::MainColors.call(image(3, 3) { [9, 9, 9, 0] })
  end
end
