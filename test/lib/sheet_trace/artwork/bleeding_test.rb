# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/heron"

# What is delivered of a skin: what is painted stays to the byte, whatever the bleed.
describe SheetTrace::Artwork::Bleeding do
  skin =
    lambda do |width, height, alpha|
      random = Random.new((width * height) + 1)
      pixels = Numo::UInt8.cast(Array.new(width * height * 4) { random.rand(256) }).reshape(height, width, 4)
      pixels[true, true, 3] = 255 unless alpha
      pixels[0...(height / 2), 0...(width / 3), 3] = 0 if alpha
      pixels
    end
  delivered =
    lambda do |pixels, bleed_px|
      height, width, = pixels.shape
      png =
        Vips::Image
          .new_from_memory_copy(pixels.to_binary, width, height, 4, :uchar)
          .copy(interpretation: :srgb)
          .pngsave_buffer
      file = SheetTrace::Artwork::PictureFile.of_bytes(png, name: "skin.png")
      job = Models.job(Demo::Heron.obj, width_px: width, height_px: height)
      stack = SheetTrace::Artwork::Stack.new(layers: [Models.skin("skin", file)], bleed_px: bleed_px)
      image = SheetTrace::Artwork::Compose.call(stack, job.canvas(pictures: ->(_digest) { png }))
      [Numo::UInt8.from_binary(image.write_to_memory).reshape(height, width, 4), job]
    end

  [[64, 64], [96, 64], [157, 131]].each do |width, height|
    it "delivers an opaque skin of #{width} x #{height} px to the byte, whatever the bleed" do
      [0, 1, 4, 16].each do |bleed_px|
        assert_equal skin.call(width, height, false), delivered.call(skin.call(width, height, false), bleed_px)[0]
      end
    end

    it "changes nothing of a skin of #{width} x #{height} px but what is transparent beside islands" do
      pixels = skin.call(width, height, true)
      [0, 5].each do |bleed_px|
        out, job = delivered.call(pixels, bleed_px)
        changed = out.ne(pixels).any?(axis: 2)
        covered =
          SheetTrace::Raster::TexelMap
            .call(job.layout.points_px, job.layout.uv_map.triangles.points, width_px: width, height_px: height)
            .coverage
            .reshape(height, width)

        assert_equal 0, (changed & covered).count
        assert_equal 0, (changed & pixels[true, true, 3].gt(0)).count
        assert_equal 0, changed.count if bleed_px.zero?
        assert_operator changed.count, :>, 0 if bleed_px.positive?
      end
    end
  end
end
