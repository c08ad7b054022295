# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Contents::SeamBlend do
  red = [200, 40, 40]
  blue = [100, 140, 240]
  # The caddy of 80 x 120 x 50 mm, its front in one colour, all else in another.
  define_method(:caddy) do |width_px: 512, turned: 0.0|
    job = Models.job(Demo::TeaCaddy.obj, width_px: width_px, height_px: 512)
    front = job.island_names.index("Front")
    right = job.island_names.index("Right")
    job = operate(job, "add_layer", content: { kind: "fill", color: "#648cf0" }).job
    job = operate(job, "add_layer", content: { kind: "fill", color: "#c82828" }, islands: [front]).job
    job = operate(job, "transform_islands", islands: [right], turn_rad: turned).job unless turned.zero?
    [job, front, right]
  end
  define_method(:composed) do |job|
    SheetTrace::Artwork::Picture.pixels(SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: nil)))
  end
  define_method(:blended) do |job, **content|
    operate(job, "add_layer", id: "b", content: { kind: "seam_blend", **content }).job
  end

  # Along the edge between front and right: mm inside an island from the edge, by the panel's own corners.
  define_method(:color_at) do |job, pixels, island, from_edge_mm, up_mm, edge|
    map = job.layout.uv_map
    points = map.island_points[island]
    space = map.mesh.positions[map.point_vertices[points], true] * job.unit_mm
    own =
      SheetTrace::Geometry::Affine.fit(
        job.flat_map(island).coordinates_mm,
        job.layout.points_px[job.flat_map(island).points, true]
      )
    width, height = job.flat_map(island).size_mm
    x = edge == :right ? (width / 2) - from_edge_mm : from_edge_mm - (width / 2)
    px = own.at(x, up_mm - (height / 2))
    raise "no island there" if space.shape[0].zero?

    pixels[px[1].floor, px[0].floor, 0..2].to_a
  end

  it "meets in the mean on the seam, and leaves what is farther off to the byte" do
    [[512, 0.0], [700, 0.9]].each do |width_px, turned|
      job, front, right = caddy(width_px: width_px, turned: turned)
      pair = [front, right]
      before = composed(job)
      after = composed(blended(job, width_mm: 20, between: [pair]))
      red.zip(blue).map { |a, b| (a + b) / 2.0 }
      texel_mm = 1 / job.measures[front].density_px_per_mm
      [20, 60, 95].each do |up|
        { front => [:right, red], right => [:left, blue] }.each do |island, (edge, own)|
          other = own == red ? blue : red
          [0.6, 3.0, 7.0].each do |away|
            # Linear from the mean on the seam to its own 10 mm away.
            wanted = own.zip(other).map { |a, b| a + ((b - a) * 0.5 * (1 - (away / 10))) }
            got = color_at(job, after, island, away, up, edge)

            wanted.zip(got) do |a, b|
              assert_in_delta a, b, (160 * 0.5 * texel_mm / 10) + 1.5, [island, away, up, turned].inspect
            end
          end

          assert_equal own, color_at(job, after, island, 12.0, up, edge)
        end
      end
      top = job.island_names.index("Top")
      changed = (Numo::Int16.cast(before) - Numo::Int16.cast(after)).abs.max(axis: 2).gt(0)
      box = job.layout.points_px[job.layout.uv_map.island_points[top], true]

      assert_equal 0,
                   changed[
                     box[true, 1].min.ceil..(box[true, 1].max.floor - 1),
                     box[true, 0].min.ceil..(box[true, 0].max.floor - 1)
                   ].count_true
    end
  end

  it "takes the difference from seams, all or those that are named" do
    job, front, right = caddy
    worst =
      lambda do |state|
        sheet = SheetTrace::Artwork::Compose.call(state.artwork, state.canvas(pictures: nil))
        SheetTrace::Artwork::SeamCheck
          .call(state.layout, sheet, unit_mm: state.unit_mm)
          .to_h { |seam| [seam.islands, seam.mean] }
      end
    all = worst.call(blended(job, width_mm: 24))
    one = worst.call(blended(job, width_mm: 24, between: [[right, front]]))

    assert_operator worst.call(job).values.max, :>, 100
    assert_operator all.values.max, :<, 12
    assert_operator one.fetch([front, right].sort), :<, 12
    assert_equal 3, one.values.count { |mean| mean > 100 }
  end

  it "is worked out anew when what is below changes, and only then" do
    job, front, right = caddy
    job = blended(job, width_mm: 20, between: [[front, right]])
    first = composed(job)
    lower = job.artwork.layers[1]
    again = composed(operate(job, "change_layer", id: lower.id, content: { color: "#20a040" }).job)
    back =
      composed(
        operate(
          operate(job, "change_layer", id: lower.id, opacity: 0.5).job,
          "change_layer",
          id: lower.id,
          opacity: 1.0
        ).job
      )

    refute_equal first, again
    assert_equal first, back
  end

  it "goes along to another map, and leaves out seams that are no more" do
    job, front, right = caddy
    job = blended(job, width_mm: 20, between: [[front, right]])
    twice = operate(job, "subdivide_faces", faces: (0...job.mesh.face_count).to_a).job

    assert_equal [[front, right]], twice.artwork.layer("b").content.between
  end

  it "is printed as it is on the sheet, though a label's island is printed alone" do
    job, front, right = caddy(width_px: 1024)
    job = blended(job, width_mm: 20, between: [[front, right]])
    flat = job.flat_map(front).by_point
    size = job.flat_map(front).size_mm
    places = [flat[0] + (size[0] / 2), (flat[1] * -1) + (size[1] / 2)]
    items = SheetTrace::Job::FlatArt.call(job, front, places, px_per_mm: 5.0, bleed_mm: 2.0, pictures: nil)
    image = items.first.image
    mean = red.zip(blue).map { |a, b| (a + b) / 2.0 }

    # The right edge lies 2 + 80 mm from the image's left.
    image.getpoint(((2 + 79.8) * 5).floor, 300).first(3).zip(mean) { |got, wanted| assert_in_delta wanted, got, 4 }
    assert_equal red, image.getpoint((2 + 40) * 5, 300).first(3).map(&:to_i)
  end
end
