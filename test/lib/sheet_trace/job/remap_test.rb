# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Remap do
  it "carries names, tags and labels over to a changed map" do
    job = Demo.tea_caddy.job
    job = operate(job, "rename_island", island: 1, name: "Gable").job
    job = operate(job, "tag_islands", islands: [2], tag: "plain").job
    turned = operate(job, "flip_normals", faces: [5]).job

    assert_equal [job.island_names[0..3], job.tags], [turned.island_names[0..3], turned.tags]
    assert_equal job.artwork.layers.map { |layer|
                   layer.place.to_h.transform_values { |value| value.is_a?(Numeric) ? value.round(6) : value }
                 },
                 turned.artwork.layers.map { |layer|
                   layer.place.to_h.transform_values { |value| value.is_a?(Numeric) ? value.round(6) : value }
                 }
  end

  # The label's middle lies 5 mm right of the middle of a square of 10 mm; when the square beside it joins, the middle
  # of the
  # island moves 5 mm to the right.
  it "leaves a label where it is on the surface when its island grows" do
    points = %w[0,0 10,0 10,10 0,10 20,0 20,10].map { |pair| "v #{pair.tr(",", " ")} 0" }
    uvs = %w[.1,.1 .3,.1 .3,.3 .1,.3 .6,.6 .8,.6 .8,.8 .6,.8].map { |pair| "vt #{pair.tr(",", " ")}" }
    job = Models.job([*points, *uvs, "f 1/1 2/2 3/3 4/4", "f 2/5 5/6 6/7 3/8"].join("\n"))
    job = operate(job, "place_picture", id: "a", picture: "10x10", name: "dot", island: 0, width_mm: 2).job
    job = operate(job, "change_layer", id: "a", place: { x_mm: 4, y_mm: -1, turn_deg: 0.5 * 180 / Math::PI }).job
    joined = operate(job, "give_back_faces", faces: [1]).job
    place = joined.artwork.layer("a").place

    assert_equal 1, joined.layout.uv_map.island_count
    [-1, -1, 0.5].zip([place.x_mm, place.y_mm, place.turn_rad]) { |expected, got| assert_in_delta expected, got, 1e-9 }
  end

  # The caddy is 80 x 120 x 50 mm: on its net, the middles of its sides lie 65 mm beside that of the front, the lid's
  # 85 mm over it.
  it "leaves labels where they are when a closed net is grown, whose faces look all ways, and when it is parted again" do
    net = operate(Demo.tea_caddy.job, "grow_net", island: 0).job
    front, left, right, lid = net.artwork.layers.select { |layer| layer.place.island }.map(&:place)
    beside =
      lambda do |place|
        [place.x_mm - front.x_mm, place.y_mm - front.y_mm, place.turn_rad].map { |value| value.round(6) }
      end

    assert_equal [[-65, 0, 0], [65, 0, 0], [0, 85, 0]], [left, right, lid].map(&beside)
    apart = operate(net, "lay_flat", by: "square_on", seams: "all").job

    assert_equal %w[Front Left Right Top],
                 apart
                   .artwork
                   .layers
                   .select { |layer| layer.place.island }
                   .map { |layer| apart.island_names[layer.place.island] }
    assert_equal [[0, 0]] * 4,
                 apart
                   .artwork
                   .layers
                   .select { |layer| layer.place.island }
                   .map { |layer| [layer.place.x_mm, layer.place.y_mm].map { |mm| mm.round(6).abs } }
    assert_equal [260, 220], net.flat_map(0).size_mm.map { |mm| mm.round(6) }
  end

  it "lays islands as another UV set has them, and back" do
    file =
      SheetTrace::Formats.read_files(
        { "a.dae" => SheetTrace::Formats::Collada::Writer.call(two_sets, base_name: "a").files["a.dae"] }
      )
    job =
      SheetTrace::Job.start(
        file,
        source_name: "a.dae",
        sheet: SheetTrace::Layout::Sheet.new(width_px: 100, height_px: 100)
      )
    second = operate(job, "choose_uv_set", set: 1)

    assert_equal "Islands as in UV set TEXCOORD 1: 1 islands", second.sentence
    assert_in_delta 50, second.job.layout.boxes_px[0, 2], 1e-9
    assert_equal job.layout.boxes_px, operate(second.job, "choose_uv_set", set: 0).job.layout.boxes_px
    flipped = operate(second.job, "flip_normals", faces: [0]).job # the sets follow the corners

    assert_equal job.layout.boxes_px, operate(flipped, "choose_uv_set", set: 0).job.layout.boxes_px
  end

  def two_sets
    reading = Models.read(Models.panel)
    first = reading.uv_sets[0]
    half =
      SheetTrace::Formats::UvSet.new(
        name: "half",
        uvs: first.uvs * Numo::DFloat[[1, 0.5]],
        corner_uvs: first.corner_uvs,
        face_mapped: first.face_mapped
      )
    SheetTrace::Formats::Model.new(mesh: reading.mesh, uv_sets: [first, half])
  end

  it "turns a model whose z is up, its map untouched" do
    job = Models.job("v 0 0 0\nv 4 0 0\nv 4 0 7\nv 0 0 7\nvt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\nf 1/1 2/2 3/3 4/4")
    turned = operate(job, "set_up_axis", axis: "z").job

    assert_equal [[0, 0, 0], [4, 7, 0]], turned.mesh.bounds.map { |corner| corner.map { |x| x + 0.0 } }
    assert_equal ["Front"], turned.island_names
    assert_equal job.layout.points_uv, turned.layout.points_uv
  end

  it "renames parts and materials, each name once" do
    job = Models.job("o a\nusemtl tin\n#{Models.panel}\no b\nusemtl card\nf 1/1 2/2 3/3\n")
    job = operate(job, "rename_part", part: 1, name: "lid").job
    job = operate(job, "rename_material", material: 0, name: "brass").job

    assert_equal [%w[a lid], %w[brass card]], [job.mesh.parts, job.mesh.material_names]
    assert_refused(SheetTrace::InvalidOperationError, message: /another part is called "a"/) do
      operate(job, "rename_part", part: 1, name: "a")
    end
  end

  it "shows a skin on one material only" do
    job =
      Models.job(
        "usemtl tin\n#{Models.panel(uvs: [[0, 0], [0.5, 0], [0.5, 1], [0, 1]])}\nusemtl card\nvt 0.5 0\nvt 1 0\nvt 1 " \
          "1\nvt 0.5 1\nf 1/5 2/6 3/7 4/8\n",
        width_px: 64,
        height_px: 64
      )
    red = (Vips::Image.black(64, 64, bands: 3) + [200, 0, 0]).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    job =
      operate(
        job,
        "add_layer",
        id: "s",
        content: {
          kind: "picture",
          picture: "64x64"
        },
        name: "red",
        materials: [1]
      ).job
    image = SheetTrace::Artwork::Compose.call(job.artwork.with(bleed_px: 0), job.canvas(pictures: ->(_digest) { red }))

    assert_equal [0, 255], [image.getpoint(20, 30)[3], image.getpoint(44, 30)[3]]
    all = operate(job, "change_layer", id: "s", mask: {})

    assert_equal "red: on everything", all.sentence
    assert_predicate all.job.artwork.layer("s").look.mask, :whole?
  end

  it "dresses a textured model in its own pictures" do
    job = Models.job("usemtl tin\n#{Models.panel}\nusemtl card\nf 1/1 2/2 3/3\n")
    materials = [
      SheetTrace::Mesh::Material.new(name: "tin", image: "skin.png"),
      SheetTrace::Mesh::Material.new(name: "card")
    ]
    dressed =
      SheetTrace::Job::SkinsFromMaterials.call(
        job.with(layout: job.layout.with_mesh(job.mesh.with(materials: materials))),
        { "skin.png" => Models.picture("8x8") }
      )

    assert_equal [["skin", "8x8", [0]]],
                 dressed.artwork.layers.map { |layer|
                   [layer.name, layer.content.picture.digest, layer.look.mask.materials]
                 }
  end
end
