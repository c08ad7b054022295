# frozen_string_literal: true

require_relative "../../../test_helper"

describe "bleed and safe lines of a template" do
  # A panel of 409.6 x 614.4 px from 102.4, 307.2.
  define_method(:lines) do |marks, side: 1024, **options|
    job = Models.job(Models.panel)
    size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
    scene = SheetTrace::Trace::Template.call(job.layout, size: size, marks: marks, **options)
    scene.groups.select { |group| group.kind == "mark" }.flat_map(&:items).map { |item| box(item) }
  end
  define_method(:box) do |strokes|
    ends = strokes.segments.to_a.flatten.each_slice(2).to_a.transpose
    ends.flat_map { |values| values.minmax.map { |value| value.round(3) } }
  end

  it "run beside the border by as many px as are asked for, outside and inside, at any size" do
    assert_equal [[102.4 - 6, 512 + 6, 307.2 - 6, 921.6 + 6].map { |px| px.round(3) }], lines(["bleed"], bleed_px: 6)
    assert_equal [[112.4, 502.0, 317.2, 911.6]], lines(["safe"], safe_px: 10)
    assert_equal [[204.8 - 12, 1024.0 + 12, 614.4 - 12, 1843.2 + 12].map { |px| px.round(3) }],
                 lines(["bleed"], side: 2048, bleed_px: 6)
    assert_equal 2, lines(%w[bleed safe]).size
  end
end

describe "the neighbour's art beyond seams" do
  # Two panels of a fold, in two colours: what is beyond the edge of the one is the other's colour.
  it "shows what goes on over each seam, dimmed, and nothing elsewhere" do
    obj = <<~OBJ
      v 0 0 0
      v 40 0 0
      v 40 40 0
      v 0 40 0
      v 80 0 0
      v 80 40 0
      vt 0.1 0.5
      vt 0.3 0.5
      vt 0.3 0.7
      vt 0.1 0.7
      vt 0.6 0.1
      vt 0.8 0.1
      vt 0.8 0.3
      vt 0.6 0.3
      f 1/1 2/2 3/3 4/4
      f 2/5 5/6 6/7 3/8
    OBJ
    job = Models.job(obj)
    job = operate(job, "add_layer", content: { kind: "fill", color: "#c02020" }, islands: [0]).job
    job = operate(job, "add_layer", content: { kind: "fill", color: "#2040c0" }, islands: [1]).job
    bytes =
      SheetTrace::Job::TemplateFile.call(
        job,
        size: job.sheet,
        title: "",
        pictures: nil,
        file: {
          strip_px: 12.0
        },
        options: {
          edges: "outline"
        }
      )
    image = Vips::Image.new_from_buffer(bytes, "")

    # The seam is the right edge of the first, at x = 307.2, and the left edge of the second, at x = 614.4.
    # To a level: half transparent colours are rounded.
    { [313, 400] => [0x20, 0x40, 0xc0, 127], [606, 820] => [0xc0, 0x20, 0x20, 127] }.each do |place, color|
      color.zip(image.getpoint(*place)) { |wanted, got| assert_in_delta wanted, got, 1 }
    end

    [[340, 400], [250, 300], [90, 400], [200, 400]].each { |x, y| assert_equal 0, image.getpoint(x, y)[3] }
  end
end
