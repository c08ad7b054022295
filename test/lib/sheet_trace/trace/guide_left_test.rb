# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Trace::GuideLeft do
  job = Models.job(Demo::TeaCaddy.obj, width_px: 512, height_px: 512)

  def painted(job)
    own =
      operate(
        job,
        "add_layer",
        content: {
          kind: "gradient",
          color: "#d8b060",
          to: "#a04030"
        },
        place: {
          kind: "side"
        }
      ).job
    SheetTrace::Artwork::Compose.call(own.artwork, own.canvas(pictures: ->(_) {}, size: own.sheet))
  end

  define_method(:with_lines) do |image|
    lines = SheetTrace::Trace::Template.call(job.layout, size: job.sheet).to_image
    image.composite2(lines, :over).cast(:uchar).copy(interpretation: :srgb)
  end

  it "sees that lines were left in, in smaller and JPEG pictures too" do
    image = with_lines(painted(job))
    small = image.flatten(background: [255, 255, 255]).cast(:uchar).resize(0.5)
    jpeg = SheetTrace::Artwork::Picture.read(small.jpegsave_buffer(Q: 80))

    assert SheetTrace::Trace::GuideLeft.call(image, job.layout)
    assert SheetTrace::Trace::GuideLeft.call(jpeg, job.layout)
  end

  it "sees none where they were hidden" do
    refute SheetTrace::Trace::GuideLeft.call(painted(job), job.layout)
    refute SheetTrace::Trace::GuideLeft.call(
             painted(job).flatten(background: [255] * 3).cast(:uchar).bandjoin(255).copy(interpretation: :srgb),
             job.layout
           )
  end

  it "has a skin without them once their width is said" do
    image = with_lines(painted(job))
    bytes = image.write_to_buffer(".png")
    file = SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: "painted.png")
    exported = operate(job, "note_export", width_px: 512, height_px: 512, at: "2026-05-01T10:00:00Z").job
    change =
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_h("bring_back", { picture: "x", layout: exported.layout_code }),
        exported,
        pictures: ->(_) { file }
      )
    clean = operate(change.job, "change_layer", id: change.facts[:layer], place: { guide_px: 1 }).job
    off =
      [change.job, clean].map do |own|
        sheet = SheetTrace::Artwork::Compose.call(own.artwork, own.canvas(pictures: ->(_) { bytes }, size: own.sheet))
        inside =
          job.canvas(pictures: ->(_) {}, size: job.sheet).texel_map(SheetTrace::Artwork::Box.whole(job.sheet)).texels
        pair =
          [sheet, painted(job)].map do |own_sheet|
            Numo::Int32.cast(SheetTrace::Artwork::Picture.pixels(own_sheet)).reshape(512 * 512, 4)[inside, 0..2]
          end
        (pair[0] - pair[1]).abs.max
      end

    assert_operator off[0], :>, 80
    assert_operator off[1], :<, 8
  end
end
