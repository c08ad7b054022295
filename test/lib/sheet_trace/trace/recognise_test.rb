# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Trace::Recognise do
  recognise = SheetTrace::Trace::Recognise
  change =
    lambda do |job, name, **parameters|
      SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job).job
    end
  caddy = Models.job(Demo::TeaCaddy.obj)
  moved = change.call(caddy, "transform_islands", islands: [1], move_px: [14, 9])
  turned = change.call(caddy, "transform_islands", islands: [0], turn_rad: 0.5, scale: [0.8, 0.8])
  jobs = { "AAAA-AAAA" => caddy, "BBBB-BBBB" => moved, "CCCC-CCCC" => turned }
  layouts = jobs.transform_values(&:layout)

  define_method(:painted) do |job, bleed_px: 4|
    own =
      operate(
        operate(job, "set_bleed", bleed_px: bleed_px).job,
        "add_layer",
        content: {
          kind: "gradient",
          color: "#204060",
          to: "#e0b040"
        },
        place: {
          kind: "side"
        }
      ).job
    SheetTrace::Artwork::Compose.call(own.artwork, own.canvas(pictures: ->(_) {}, size: own.sheet))
  end

  jobs.each do |code, job|
    it "tells layout #{code} from its paint, also half as large, as JPEG on white" do
      image = painted(job)
      small = image.flatten(background: [255, 255, 255]).cast(:uchar).resize(0.5)
      jpeg = SheetTrace::Artwork::Picture.read(small.jpegsave_buffer(Q: 75))

      [image, jpeg].each do |picture|
        found = recognise.call(picture, layouts.to_a.reverse.to_h)

        assert_equal [code, "lines"], [found.code, found.by]
        assert_operator found.certainty, :>, 0.5
      end
    end
  end

  it "takes a picture's word for it, where there is such a layout" do
    blank = Vips::Image.black(64, 64, bands: 4).copy(interpretation: :srgb)

    assert_equal ["BBBB-BBBB", 1.0, "code"], recognise.call(blank, layouts, code: "BBBB-BBBB").to_a
    assert_equal [nil, 0.0, nil], recognise.call(blank, layouts, code: "ZZZZ-ZZZZ").to_a
  end

  it "tells none of another model's paint, of a photograph, of other proportions, and of nothing" do
    strange = painted(Models.job(Demo::LanternShade.obj))
    noise = Array.new(3) { |band| Vips::Image.gaussnoise(1024, 1024, seed: band).gaussblur(9) }
    photo = ((Vips::Image.bandjoin(noise) * 9) - 1024).cast(:uchar).bandjoin(255).copy(interpretation: :srgb)
    wide = painted(caddy).resize(1, vscale: 0.5)

    [strange, photo, wide].each { |image| assert_nil recognise.call(image, layouts).code }
    assert_nil recognise.call(painted(caddy), {}).code
  end
end
