# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Resize do
  resize = SheetTrace::Artwork::Resize
  flat = ->(color, width, height) { (Vips::Image.black(width, height, bands: 4) + color).cast(:uchar) }
  bytes = ->(image) { Numo::UInt8.from_binary(image.write_to_memory, [image.height, image.width, 4]) }

  it "keeps a flat colour to the byte, at any size" do
    random = Random.new(8)
    [[64, 64], [256, 192], [33, 17], [101, 203], [31, 64]].each do |width, height|
      color = Array.new(3) { random.rand(256) }
      image = resize.call(flat.call([*color, 255], 32, 24).copy(interpretation: :srgb), width, height)

      assert_equal [width, height], [image.width, image.height]
      assert_equal [[*color, 255]], bytes.call(image).reshape(width * height, 4).to_a.uniq
    end
  end

  # A disc of one colour on transparent px of another.
  it "lends no colour of what is transparent to what is not, larger or smaller" do
    from_middle = (Vips::Image.xyz(48, 48) - 24).then { |at| ((at[0] * at[0]) + (at[1] * at[1]))**0.5 }
    disc = (from_middle < 18).ifthenelse(flat.call([200, 60, 20, 255], 48, 48), flat.call([0, 255, 0, 0], 48, 48))
    [24, 111, 480].each do |side|
      found = bytes.call(resize.call(disc.cast(:uchar).copy(interpretation: :srgb), side, side)).reshape(side * side, 4)
      # Where less is left of the alpha, so little is left of the colour's digits.
      painted = found[found[true, 3].gt(64).where, 0..2]

      assert_operator (Numo::Int32.cast(painted) - Numo::Int32[200, 60, 20]).abs.max, :<=, 2
      assert_in_delta Math::PI * ((18.0 / 48)**2), found[true, 3].sum / (255.0 * side * side), 0.01
    end
  end

  it "gives where all is opaque what it gives where alpha is multiplied, within a level" do
    noise = Array.new(3) { |band| Vips::Image.gaussnoise(40, 30, mean: 128, sigma: 50, seed: band) }
    image = Vips::Image.bandjoin(noise).cast(:uchar).bandjoin(255).copy(interpretation: :srgb)
    enlarged = bytes.call(resize.call(image, 130, 97))
    multiplied = bytes.call(image.premultiply.resize(130 / 40.0, vscale: 97 / 30.0).unpremultiply.rint.cast(:uchar))

    assert_operator (Numo::Int32.cast(enlarged) - Numo::Int32.cast(multiplied)).abs.max, :<=, 1
  end
end
