# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::ModelPicture do
  front = [0.0, 0.0, 1.0]
  # Red left of the middle of the sheet, green above blue on its right.
  sheet =
    lambda do
      pixels = Numo::UInt8.zeros(100, 100, 4)
      pixels[true, true, 3] = 255
      pixels[true, 0...50, 0] = 250
      pixels[0...50, 50...100, 1] = 250
      pixels[50...100, 50...100, 2] = 250
      Vips::Image.new_from_memory_copy(pixels.to_binary, 100, 100, 4, :uchar).copy(interpretation: :srgb)
    end
  picture =
    lambda do |obj, from: front, side_px: 60|
      SheetTrace::Artwork::ModelPicture.call(Models.job(obj).layout, sheet.call, side_px: side_px, from: from)
    end
  # The colour that dominates, and whether there is anything.
  look = ->(image, x, y) { image.getpoint(x, y).then { |*rgb, alpha| alpha < 128 ? nil : rgb.each_with_index.max[1] } }

  it "shows a panel with its sheet upright: left is left and top is top" do
    image = picture.call(Models.panel(width: 80, height: 80, uvs: [[0, 0], [1, 0], [1, 1], [0, 1]]))

    assert_equal [60, 60, 4], [image.width, image.height, image.bands]
    assert_equal [0, 1, 0, 2], [[15, 15], [45, 15], [15, 45], [45, 45]].map { |place| look.call(image, *place) }
  end

  it "keeps the panel's proportions, in the middle, on nothing" do
    image = picture.call(Models.panel(width: 40, height: 80, uvs: [[0, 0], [1, 0], [1, 1], [0, 1]]))
    filled = (0...60).select { |x| look.call(image, x, 30) }

    assert_in_delta 30, filled.size, 2 # half as wide as the 60 px that it is high
    assert_in_delta 29.5, (filled.first + filled.last) / 2.0, 1
  end

  it "shows what is near before what is far, in whatever order they come, and no backs" do
    far = "v -40 -40 -5\nv 40 -40 -5\nv 40 40 -5\nv -40 40 -5\nvt 0.1 0.5\nf 1/1 2/1 3/1 4/1\n" # red
    near = "v -20 -20 5\nv 20 -20 5\nv 20 20 5\nv -20 20 5\nvt 0.9 0.9\nf -4/-1 -3/-1 -2/-1 -1/-1\n" # green
    [far + near, near + far].each do |obj|
      # Each has one UV for all corners, so the second file numbers its own by -1.
      image = picture.call(obj.gsub("/1", "/-1").gsub(/f 1\S* 2\S* 3\S* 4\S*/, "f -4/-1 -3/-1 -2/-1 -1/-1"))

      assert_equal [1, 0], [look.call(image, 30, 30), look.call(image, 5, 30)]
    end
    assert_nil look.call(picture.call(Models.panel, from: [0.0, 0.0, -1.0]), 30, 30)
  end

  it "draws every sample, also straight from above and below" do
    Demo.samples.each do |sample|
      [[0.62, 0.42, 1.0], [0.0, 1.0, 0.0], [0.0, -1.0, 0.0]].each do |from|
        image = SheetTrace::Artwork::ModelPicture.call(sample.job.layout, sheet.call, side_px: 40, from: from)

        assert_operator image[3].avg, :>, 20, "#{sample.job.source_name} from #{from}"
      end
    end
  end
end
