# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Drawing::CairoImage do
  image = SheetTrace::Drawing::CairoImage
  ink = SheetTrace::Drawing::Color.parse("#c83c1e")
  paper = SheetTrace::Drawing::Color.parse("#fff0d2")
  slanting =
    lambda do |context|
      context.line_width = 1.3
      context.move_to(2.2, 1.1)
      context.line_to(38.7, 17.4)
      context.stroke
    end
  inked = ->(context) { context.set_source_rgb(*ink.to_a) && slanting.call(context) }

  # Rows of a width that Cairo does not keep as such, too.
  [40, 41, 43].each do |width|
    it "draws one colour as it draws several, on transparent ground and on paper, #{width} px wide" do
      alone = image.in_one_color(width, 20, ink, &slanting)
      several = image.call(width, 20, &inked)

      assert_equal [width, 20, 4], [alone.width, alone.height, alone.bands]
      assert_equal 0, (alone.extract_band(3) - several.extract_band(3)).abs.max
      grounded =
        image.call(width, 20, opaque: true) do |context|
          context.set_source_rgb(*paper.to_a)
          context.paint
          inked.call(context)
        end

      assert_operator (image.in_one_color(width, 20, ink, ground: paper, &slanting) - grounded).abs.max, :<=, 1
    end
  end

  it "has exactly its colour in every px, however little is covered, and none where nothing is" do
    pixels = SheetTrace::Artwork::Picture.pixels(image.in_one_color(40, 20, ink, &slanting)).reshape(800, 4)

    assert_equal [[200, 60, 30]], pixels[pixels[true, 3].gt(0).where, 0..2].to_a.uniq
    assert_equal [[0, 0, 0]], pixels[pixels[true, 3].eq(0).where, 0..2].to_a.uniq
  end

  it "refuses several colours that are too much for memory, and says what to do" do
    error = assert_raises(SheetTrace::LimitError) { image.call(16_384, 16_384) { flunk } }

    assert_match(/16384 x 16384 px in several colours .* one colour .* SVG or PDF/, error.message)
  end
end
