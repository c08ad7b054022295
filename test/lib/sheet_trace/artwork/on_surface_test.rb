# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Places::OnSurface do
  flat_red = ->(_digest) do
    (Vips::Image.black(40, 20) + [200, 80, 40, 255]).cast(:uchar).copy(interpretation: :srgb).write_to_buffer(".png")
  end

  # A disc in the middle of a picture, on white.
  disc =
    lambda do |_digest|
      xy = Vips::Image.xyz(400, 400)
      inside = (((xy[0] - 199.5)**2) + ((xy[1] - 199.5)**2)) < 150**2
      inside
        .ifthenelse([200, 0, 0], [255, 255, 255])
        .bandjoin(255)
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .write_to_buffer(".png")
    end

  let(:caddy) { operate(Models.job(Demo::TeaCaddy.obj), "set_bleed", bleed_px: 0).job }

  define_method(:decal) do |job, face, at, **more|
    operate(
      job,
      "add_layer",
      id: "d",
      content: {
        kind: "picture",
        picture: "40x20"
      },
      place: {
        kind: "surface",
        face: face,
        at: at,
        **more
      }
    ).job
  end

  define_method(:face_of) { |job, name| job.layout.uv_map.island_faces[job.island_names.index(name)][0] }

  define_method(:composed) do |job, pictures|
    SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: pictures))
  end

  # The caddy is 80 x 120 x 50 mm, at 4 px/mm; its front is at z = 25.
  it "goes over the edge onto the next island, true in size on both, in one colour" do
    front, right = %w[Front Right].map { |name| face_of(caddy, name) }
    bounds = caddy.mesh.bounds
    edge = bounds[1][0]
    job = decal(caddy, front, [edge - 5, (bounds[0][1] + bounds[1][1]) / 2, bounds[1][2]], width_mm: 30)
    sheet = composed(job, flat_red)
    pixels = Numo::UInt8.from_binary(sheet.write_to_memory).reshape(sheet.height, sheet.width, 4)
    painted = pixels[true, true, 3].gt(0).where

    assert_equal [[200, 80, 40]], pixels.reshape(sheet.width * sheet.height, 4)[painted, 0..2].to_a.uniq
    [[front, 20 * 15], [right, 10 * 15]].each do |face, mm2|
      island = job.layout.uv_map.face_islands[face]
      left, top, far, bottom = job.layout.boxes_px[island, true].to_a.map(&:round)
      alpha = pixels[top...bottom, left...far, 3]

      assert_in_delta mm2 * 16, alpha.sum / 255.0, 12
    end
    facts = job.artwork.layer("d").place.facts(job, job.artwork.layer("d").content)

    assert_equal [front, right].map { |face| job.layout.uv_map.face_islands[face] }.sort, facts[:islands]
    assert_in_delta 1, facts[:stretch_worst], 1e-6
    assert_in_delta 1, facts[:laid], 1e-6
    assert_in_delta 0, facts[:cracks_mm], 1e-9
  end

  it "stops at an edge where it is told to, and says how much of it has surface under it" do
    front = face_of(caddy, "Front")
    bounds = caddy.mesh.bounds
    at = [bounds[1][0] - 5, (bounds[0][1] + bounds[1][1]) / 2, bounds[1][2]]
    job = decal(caddy, front, at, width_mm: 30, over_edges: false)
    facts = job.artwork.layer("d").place.facts(job, job.artwork.layer("d").content)

    assert_equal [job.layout.uv_map.face_islands[front]], facts[:islands]
    assert_in_delta 20 / 30.0, facts[:laid], 0.01
  end

  # A cylinder wrapped to a square: its side is 2 pi 20 mm round and 50 mm high, so that its map stretches it 2.5 times.
  it "is round on a cylinder whose map stretches it, across the seam at the back" do
    job = operate(Models.job(Models.band(48)), "set_bleed", bleed_px: 0).job
    positions = job.mesh.positions
    back =
      (0...job.mesh.face_count).min_by do |face|
        positions[job.mesh.corner_vertices[job.mesh.face_starts[face]...job.mesh.face_starts[face + 1]], 2].mean
      end
    at = [0.0, 25.0, -20.0]
    job =
      operate(
        job,
        "add_layer",
        id: "d",
        content: {
          kind: "picture",
          picture: "40x40"
        },
        place: {
          kind: "surface",
          face: back,
          at: at,
          width_mm: 40
        }
      ).job
    sheet = composed(job, disc)
    red = Numo::UInt8.from_binary(sheet.write_to_memory).reshape(sheet.height * sheet.width, 4)
    rows = (red[true, 3].gt(127) & red[true, 1].lt(128)).where
    # Where each texel is on the cylinder, worked out from its UV: u goes round from the back, v up.
    u = ((rows % sheet.width) + 0.5) / sheet.width.to_f
    v = 1 - (((rows / sheet.width) + 0.5) / sheet.height)
    around = 2 * 48 * 20 * Math.sin(Math::PI / 48)
    x = (((u + 0.5) % 1) - 0.5) * around
    y = (v * 50) - 25
    radius = Numo::NMath.hypot(x, y)

    # The disc has 150 of 200 px of 20 mm.
    assert_in_delta 15, radius.max, 0.15
    [[1, 0], [0, 1], [0.6, 0.8], [0.6, -0.8]].each { |dx, dy| assert_in_delta 15, ((x * dx) + (y * dy)).abs.max, 0.2 }
    assert_in_delta Math::PI * 225, rows.size * around * 50 / (sheet.width * sheet.height), 7
  end

  it "stays on its spot when islands are moved, cut anew, and the model is turned" do
    front = face_of(caddy, "Front")
    bounds = caddy.mesh.bounds
    job = decal(caddy, front, [bounds[0][0] + 20, bounds[0][1] + 30, bounds[1][2]], width_mm: 20)
    area = ->(state) { composed(state, flat_red).extract_band(3).avg }
    before = area.call(job)
    moved = operate(job, "transform_islands", islands: [0], turn_rad: Math::PI / 2).job
    cut = operate(job, "subdivide_faces", faces: [front]).job
    turned = operate(job, "set_up_axis", axis: "z").job

    assert_in_delta before, area.call(moved), 0.02
    assert_in_delta before, area.call(cut), 0.02
    assert_in_delta before, area.call(turned), 0.02
    place = cut.artwork.layer("d").place

    assert_operator place.face, :<, cut.mesh.face_count
    assert_equal job.artwork.layer("d").place.at, place.at
  end

  it "refuses a face that is not there, and a width of nothing" do
    assert_refused(SheetTrace::InvalidOperationError, message: /there is no face 99; the model has 6/) do
      decal(caddy, 99, [0, 0, 0], width_mm: 3)
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /width/) { decal(caddy, 0, [0, 0, 0], width_mm: 0) }
  end

  it "is larger than the part it lies on, without harm" do
    job = decal(caddy, face_of(caddy, "Top"), [0, 0, 0], width_mm: 5000)

    assert_operator composed(job, flat_red).extract_band(3).avg, :>, 1
  end

  it "lies on faces of no area beside it" do
    lines = Models.panel.lines(chomp: true)
    job = Models.job([*lines, "f 1/1 2/2 2/2"].join("\n"))
    job = decal(job, 0, [40, 60, 0], width_mm: 20)

    assert_operator composed(job, flat_red).extract_band(3).avg, :>, 1
  end

  it "stays before the depth that it is given, seen square-on" do
    job = Models.job(Models.band(48))
    face = job.mesh.triangulation.faces[job.mesh.nearest_spot((0...48).to_a, [0.0, 25.0, 20.0])[0]]
    laid = ->(**more) do
      decal(job, face, [0.0, 25.0, 20.0], width_mm: 34, way: "square_on", **more)
        .artwork
        .layer("d")
        .then { |layer| layer.place.facts(job, layer.content)[:laid] }
    end

    # 17 mm to the side the wall of radius 20 lies 9.5 mm behind; to 13.2 mm at a depth of 5.
    assert_in_delta 1, laid.call, 0.01
    assert_in_delta Math.sqrt((20**2) - (15**2)) / 17, laid.call(depth_mm: 5), 0.1
  end

  it "says how many px of its picture come to a texel" do
    job = decal(caddy, face_of(caddy, "Front"), [0.0, 60.0, 25.0], width_mm: 20)

    # 40 px on 20 mm, at 4 texels to a mm.
    assert_in_delta 0.5, job.artwork.layer("d").picture_px_per_texel(job), 1e-9
  end

  it "tells of no cracks where all of them lie beside it" do
    job =
      SheetTrace::Job.start(
        SheetTrace::Solids.build("box", { width_mm: 80, height_mm: 80, depth_mm: 80 }),
        source_name: "b"
      )
    low, high = job.mesh.bounds
    at = [high[0] - 8, high[1] - 8, high[2]]
    face =
      (0...job.mesh.face_count).min_by do |own|
        job
          .mesh
          .nearest_spot([own], at)
          .then do |triangle, shares|
            SheetTrace::Geometry::Triple.distance(
              SheetTrace::Geometry::Triple.blend(job.mesh.welded.corners(triangle), shares),
              at
            )
          end
      end
    place = { kind: "surface", face: face, at: at, width_mm: (high[0] - low[0]) / 2, way: "creased" }
    job = operate(job, "add_layer", id: "d", content: { kind: "picture", picture: "400x20" }, place: place).job
    layer = job.artwork.layer("d")

    assert_in_delta(0.0, layer.place.facts(job, layer.content)[:cracks_mm])
  end
end
