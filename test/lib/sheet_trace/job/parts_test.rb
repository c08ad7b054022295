# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Parts do
  snapshot = SheetTrace::Job::Snapshot
  parts = SheetTrace::Job::Parts::ALL
  # Two boxes of six panels each, parts whose vertices are not merged, with something in every part.
  full =
    lambda do
      job = Models.job(Demo::TeaCaddy.obj)
      steps = [
        ["rename_island", { island: 1, name: "Gable" }],
        ["tag_islands", { islands: [5], tag: "plain" }],
        ["set_gutter", { gutter_px: 5 }],
        ["set_unit", { unit_mm: 2.0 }],
        ["weigh_islands", { islands: [4], weight: 2 }],
        ["lock_islands", { islands: [2] }],
        ["plan_sheet", { margin_px: 3, reserved: [[0, 0, 16, 16]] }],
        ["keep_map", { name: "First" }],
        ["mark_seams", { edges: [0, 3, 5] }],
        ["add_underlay", { picture: "64x64", name: "planks" }],
        ["set_cells", { index: 0, cells: [{ name: "one", x: 0, y: 0, width: 10, height: 20 }] }],
        ["set_landmarks", { landmarks: [{ island: 0, at_px: [100, 100], to_px: [120, 130] }] }],
        ["set_inset", { inset_px: 2 }],
        ["set_palette", { palette: "#2f5a45 pine" }],
        ["note_export", { width_px: 64, height_px: 64, at: "2026-11-27T10:00:00Z" }],
        ["set_relief", { from: "color", height_mm: 2.0 }],
        ["add_font", { file: "harbour.ttf" }],
        ["set_mask", { from: "color", layers: nil }],
        ["set_bleed", { bleed_px: 6 }],
        ["add_layer", { content: { kind: "fill", color: "#2f5a45" }, islands: [0, 3], faces: [2] }],
        ["place_picture", { picture: "40x20", island: 0, width_mm: 30, x_mm: 4.0, turn_rad: 0.3 }],
        ["add_layer", { id: "skin", content: { kind: "picture", picture: "64x64" } }],
        ["hold_skin", { id: "skin", to: "model" }],
        ["move_layer", { id: "skin", to: 1 }],
        ["group_layers", { ids: %w[layer-1], group: "Print" }],
        ["add_edition", { name: "Plum" }],
        ["replace_in_edition", { id: "layer-1", content: { kind: "fill", color: "#7b3f72" } }]
      ]
      steps.reduce(job) { |so_far, (name, values)| operate(so_far, name, **values).job }
    end
  reload =
    lambda do |job|
      dumped = snapshot.dump(job)
      snapshot.load(JSON.parse(JSON.generate(dumped.document), symbolize_names: true), dumped.blobs.method(:fetch)).job
    end
  # What a part holds, as it would be kept.
  plain = ->(job) { snapshot.dump(job).document[:parts] }

  it "has something of each part to lose in the job below" do
    kept = plain.call(instance_exec(&full))
    bare = plain.call(Models.job(Models.panel))

    parts.each_key { |name| refute_equal bare[name], kept[name], name }
  end

  it "keeps every part through a document" do
    job = instance_exec(&full)
    again = reload.call(job)

    parts.each_key { |name| assert_equal plain.call(job)[name], plain.call(again)[name], name }
  end

  it "packs nothing again that has not changed, part by part" do
    before = snapshot.dump(instance_exec(&full))
    parts.each_key do |name|
      same = snapshot.dump(before.job.with(name => before.job.part(name)), before: before)

      assert_empty same.blobs
      assert_equal before.document, same.document
    end
  end

  # What must be the same after a change of the map that leaves all islands what they are.
  carried =
    lambda do |job|
      {
        names: job.given_names,
        tags: job.tags,
        weights: job.plan.weights,
        locked: job.plan.locked,
        reserved: job.plan.reserved,
        gutter: job.gutter_px,
        unit: job.unit_mm,
        kept: job.kept_maps.map(&:name),
        underlays: job.fit_setup.underlays,
        bleed: job.artwork.bleed_px,
        editions: job.artwork.editions,
        masks: job.artwork.layers.map { |layer| layer.look.mask.islands },
        place:
          job.artwork.layers.last.place.to_h.transform_values { |value| value.is_a?(Numeric) ? value.round(6) : value },
        landmarks:
          job.fit_setup.landmarks.map do |mark|
            mark.at(job.layout.uv_map, job.layout.points_px).map { |px| px.round(6) }
          end,
        seams:
          job.mesh.edges.vertices[job.drawn_seams.where, true]
            .to_a
            .map { |ends| ends.map { |vertex| job.mesh.positions[vertex, true].to_a }.sort }
            .sort
      }
    end
  {
    "turned faces" => ["flip_normals", { faces: [4, 5] }],
    "another axis up" => ["set_up_axis", { axis: "z" }],
    "points moved" => ["snap_to_pixels", { islands: [0, 1], what: "points" }],
    "an exchange" => ["transform_islands", { islands: [3], move_px: [2, 0] }]
  }.each do |what, (name, values)|
    it "hands every part on to a map with #{what}" do
      job = instance_exec(&full)
      after = operate(job, name, **values)

      refute_match(/dropped/, after.sentence)
      expected, got = [job, after.job].map { |state| carried.call(state) }
      # The surface itself is turned, and what is upright on it with it; or its points are moved, and landmarks with
      # them.
      moved = { "set_up_axis" => %i[seams place], "snap_to_pixels" => %i[landmarks] }.fetch(name, [])

      assert_equal expected.except(*moved), got.except(*moved)
    end
  end

  it "hands every part on to smaller faces: seams to both halves, masks to all pieces, landmarks to the triangle they lie on" do
    job = instance_exec(&full)
    after = operate(job, "subdivide_faces", faces: [0, 2])

    refute_match(/dropped/, after.sentence)
    expected, got = [job, after.job].map { |state| carried.call(state).except(:seams) }

    assert_equal expected, got
    assert_equal 4, after.job.artwork.layers.first.look.mask.faces.size
    lengths = [job, after.job].map { |state| state.mesh.edge_lengths[state.drawn_seams.where].sum }

    assert_in_delta lengths[0], lengths[1], 1e-9
  end

  it "hands on what it can when islands are parted and joined, and says what it can't" do
    job = operate(instance_exec(&full), "rename_island", island: 3, name: "Rear").job
    net = operate(job, "grow_net", island: 0)

    assert_match(/dropped: .*name of/, net.sentence)
    assert_match(/tag of Base|tag of Bottom|lock of|weight of/, net.sentence)
    assert_empty net.job.dropped
    apart = operate(net.job, "lay_flat", by: "square_on", seams: "all").job

    assert_equal %w[Plum], apart.artwork.editions.map(&:name) - ["First edition"]
    assert_equal job.fit_setup.underlays, apart.fit_setup.underlays
    assert_equal 3, apart.artwork.layers.size
  end

  it "hands every part on when vertices are merged" do
    doubled =
      Models.job(
        [
          "v 0 0 0",
          "v 10 0 0",
          "v 10 10 0",
          "v 0 10 0",
          "v 10 0 0",
          "v 20 0 0",
          "v 20 10 0",
          "v 10 10 0",
          "vt .1 .1",
          "vt .3 .1",
          "vt .3 .3",
          "vt .1 .3",
          "vt .6 .6",
          "vt .8 .6",
          "vt .8 .8",
          "vt .6 .8",
          "f 1/1 2/2 3/3 4/4",
          "f 5/5 6/6 7/7 8/8"
        ].join("\n")
      )
    job = operate(doubled, "mark_seams", edges: [0]).job
    job = operate(job, "set_landmarks", landmarks: [{ island: 1, at_px: [700, 300], to_px: [1, 2] }]).job
    after = operate(job, "merge_vertices")

    refute_match(/dropped/, after.sentence)
    assert_equal 1, after.job.fit_setup.landmarks.size
    before, now =
      [job, after.job].map { |state| state.fit_setup.landmarks.first.at(state.layout.uv_map, state.layout.points_px) }

    before.zip(now) { |px, same| assert_in_delta px, same, 1e-6 }
    assert_operator after.job.drawn_seams.count_true, :>=, 1
  end
end
