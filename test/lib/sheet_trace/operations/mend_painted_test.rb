# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

# Faults that are found once painting has begun are mended, and nobody paints anew what had no fault.
describe "mending a model that is painted" do
  side = 512
  pictures = {}
  # The shade with a skin that is held to the model: other colours at every px.
  define_method(:painted) do
    noise = Vips::Image.perlin(side, side, cell_size: 32, uchar: true)
    png = noise.bandjoin([noise.rot90, noise.rot180]).copy(interpretation: :srgb).pngsave_buffer
    pictures["#{side}x#{side}"] = png
    reading =
      SheetTrace::Formats.read_files({ "shade.obj" => Demo::LanternShade.obj, "shade.mtl" => Demo::LanternShade.mtl })
    size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
    job = SheetTrace::Job.start(reading, source_name: "shade.obj", sheet: size)
    job = operate(job, "add_layer", id: "s", content: { kind: "picture", picture: "#{side}x#{side}" }).job
    operate(operate(job, "hold_skin", id: "s", to: "model").job, "set_bleed", bleed_px: 0).job
  end
  define_method(:sheet) do |job|
    SheetTrace::Artwork::Compose.pixels(job.artwork, job.canvas(pictures: pictures.method(:fetch)))
  end
  # Texels of the islands that lie where they lay.
  define_method(:unmoved) do |before, after|
    former = before.layout.uv_map.island_faces.map(&:to_a).each_with_index.to_h
    still =
      (0...after.layout.uv_map.island_count).select do |island|
        from = former[after.layout.uv_map.island_faces[island].to_a] or next
        places =
          [[before, from], [after, island]].map do |job, own|
            job.layout.points_px[job.layout.uv_map.island_points[own], true]
          end
        places.map(&:shape).uniq.one? && (places[0] - places[1]).abs.max < 1e-9
      end
    still
      .map { |island| after.canvas(pictures: nil).island_map(island) }
      .flat_map do |map|
        lines = map.texels / map.width_px
        (((lines + map.top_px) * side) + (map.texels - (lines * map.width_px)) + map.left_px).to_a
      end
  end

  {
    "faces without a place" => ->(job) { ["give_back_faces", { faces: (~job.layout.uv_map.face_mapped).where.to_a }] },
    "stray faces" => ->(job) do
      job.findings.find { |own| own.code == "stray_faces" }.then { |own| [own.mend.operation, own.mend.parameters] }
    end,
    "a mirrored island" => ->(job) do
      job.findings.find { |own| own.code == "mirrored" }.then { |own| [own.mend.operation, own.mend.parameters] }
    end
  }.each do |fault, mend|
    it "leaves the paint of all other islands to the byte where #{fault} are mended" do
      before = painted
      name, parameters = mend.call(before)
      after = operate(before, name, **parameters).job
      texels = unmoved(before, after)
      flat = [before, after].map { |job| sheet(job).flatten }

      assert_operator texels.size, :>, 1000
      assert_equal flat[0][texels], flat[1][texels]
    end
  end
end
