# frozen_string_literal: true

module Demo
  # How the skiff's job is made. Unfolding takes longest of all samples, and what comes out never changes.
  module SkiffJob
    # Round the skiff's hull and through its transom.
    STRIPE = {
      content: {
        kind: "fill",
        color: "#26495c"
      },
      place: {
        kind: "level",
        face: 0,
        at: [0.0, 44.0, 0.0],
        height_mm: 8
      }
    }.freeze
    private_constant :STRIPE

    # @return [Sample]
    def self.call
      model = { "skiff.obj" => Skiff.obj }
      mesh = (bare = Demo.built("", model: model).job).mesh
      parts = mesh.parts.each_index.map { |part| mesh.face_parts.eq(part).where.to_a }
      rims = parts.flat_map { |faces| SheetTrace::Pick.call(bare, way: "rim", kind: "edges", faces: faces) }
      cut = [
        ["start_seams", { from: "none" }],
        ["mark_seams", { edges: (rims + Skiff.keel(mesh)).uniq }],
        ["lay_flat", { by: "unfold", mirrored: true }]
      ]
      pieces = (0...Demo.built("", model: model, operations: cut).job.layout.uv_map.island_count).to_a
      number = Skiff.pictures.keys.first
      steps = [
        *cut,
        ["park_islands", { islands: pieces, corner: "bottom_left", share: 0.04 }],
        ["keep_map", { name: "Parked pieces" }],
        ["tag_islands", { islands: pieces, tag: "art" }],
        ["turn_upright", { islands: pieces }],
        ["pack", { turn: "none", in_order: true }],
        ["add_layer", { name: "stripe", **STRIPE }],
        *%w[Left Right].map { |side| ["place_picture", { picture: number, island: "hull #{side}", width_mm: 40 }] },
        ["add_underlay", { picture: Skiff::PHOTO }],
        ["show_underlay", { index: 0, how: "keep_scale" }],
        ["rename_edition", { edition: 0, name: "Harbour blue" }]
      ]
      laid = Demo.built("", model: model, pictures: Skiff.pictures, operations: steps).job
      Demo.built(
        "Racing skiff",
        model: model,
        pictures: Skiff.pictures,
        operations: [*steps, ["set_landmarks", { landmarks: landmarks(laid) }]]
      )
    end

    # Where the photo shows places of the skiff, on the sheet that it lies over.
    def self.landmarks(job)
      island = job.island_names.index("hull Right")
      map = job.layout.uv_map
      to_sheet = job.fit_setup.underlay.to_sheet(job.sheet)
      Skiff.landmarks.map do |place, px|
        vertex = (job.mesh.positions - Numo::DFloat[place]).abs.max(axis: 1).min_index
        {
          point: map.island_points[island].to_a.find { |point| map.point_vertices[point] == vertex },
          to_px: to_sheet.at(*px)
        }
      end
    end
    private_class_method :landmarks
  end
end
