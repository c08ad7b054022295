# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::ReviseModel do
  define_method(:file) { |obj, name = "revised.obj"| SheetTrace::Job::ModelFile.of_bytes(obj, name: name) }
  define_method(:revised) do |job, bytes, name: "revised.obj", **parameters|
    operation = SheetTrace::Operations.from_h("revise_model", { file: file(bytes, name), **parameters })
    SheetTrace::Operations.run(operation, job)
  end
  # The caddy with names, a label, a decal, seams drawn, one island turned, and a lock.
  let(:job) do
    state = Models.job(Demo::TeaCaddy.obj)
    front = state.island_names.index("Front")
    steps = [
      ["rename_island", { island: front, name: "Face" }],
      ["transform_islands", { islands: [front], turn_rad: 0.3, move_px: [10, 5] }],
      [
        "add_layer",
        {
          id: "label",
          content: {
            kind: "fill",
            color: "#204060"
          },
          place: {
            kind: "island",
            island: front,
            width_mm: 30,
            x_mm: 4.0
          }
        }
      ],
      ["add_layer", { id: "tin", content: { kind: "fill", color: "#a06020" }, islands: [0] }],
      ["mark_seams", { edges: [0, 3, 5] }],
      ["lock_islands", { islands: [1] }]
    ]
    steps.reduce(state) { |so_far, (name, values)| operate(so_far, name, **values).job }
  end
  # The same file with its faces in another order, and what a block does to each vertex.
  define_method(:rewritten) do |order: nil, faces: nil, &change|
    lines = Demo::TeaCaddy.obj.lines.map(&:chomp)
    lines =
      lines.map do |line|
        line.start_with?("v ") && change ? "v #{change.call(line.split.drop(1).map(&:to_f)).join(" ")}" : line
      end
    own, rest = lines.partition { |line| line.start_with?("f ") }
    own = own.shuffle(random: Random.new(order)) if order
    own = own.first(faces) if faces
    [*rest, *own].join("\n")
  end
  define_method(:places) do |state|
    state.island_names.each_with_index.to_h do |name, island|
      [
        name,
        state.layout.points_px[state.layout.uv_map.island_points[island], true]
          .to_a
          .map { |px| px.map { |value| value.round(4) } }
          .sort
      ]
    end
  end

  it "keeps everything where the model is the same, whatever the order of its faces" do
    [nil, 1, 2, 3].each do |order|
      change = revised(job, rewritten(order: order))

      assert_equal [6, 0, 0, 0], change.facts.values_at(:kept, :moved, :added, :lost)
      assert_equal places(job), places(change.job)
      label = change.job.artwork.layer("label").place

      assert_equal "Face", change.job.island_names[label.island]
      assert_in_delta 4.0, label.x_mm, 1e-6
      assert_equal job.seams.count_true, change.job.seams.count_true
      refute_match(/dropped/, change.sentence)
    end
  end

  it "keeps the sheet where faces moved a little, and says how many" do
    change = revised(job, rewritten(order: 4) { |x, y, z| [x * 1.004, y, z] }, tolerance_mm: 2.0)

    assert_operator change.facts[:moved], :>=, 4
    assert_equal [0, 0], change.facts.values_at(:added, :lost)
    assert_equal places(job), places(change.job)
    assert_equal "Face", change.job.island_names[change.job.artwork.layer("label").place.island]
  end

  it "knows faces that came as triangles, and the other way round" do
    triangles =
      rewritten(order: 8).lines.flat_map do |line|
        next [line.chomp] unless line.start_with?("f ")

        a, b, c, d = line.split.drop(1)
        ["f #{[a, b, c].join(" ")}", "f #{[a, c, d].join(" ")}"]
      end
    change = revised(job, triangles.join("\n"))

    assert_equal [12, 0, 0, 0], change.facts.values_at(:kept, :moved, :added, :lost)
    boxes =
      [job, change.job].map do |state|
        state.island_names.zip(state.layout.boxes_px.to_a.map { |box| box.map { |px| px.round(4) } }).sort
      end

    assert_equal(*boxes)
    back = revised(change.job, rewritten(order: 9))

    assert_equal 0, back.facts[:lost]
    assert_equal boxes[0],
                 back
                   .job
                   .island_names
                   .zip(back.job.layout.boxes_px.to_a.map { |box| box.map { |px| px.round(4) } })
                   .sort
  end

  it "knows a model that comes in another unit, by what the files say or else by its size" do
    { 0.1 => 10.0, 1 / 25.4 => 25.4, 1000.0 => 0.001 }.each do |factor, scale|
      change = revised(job, rewritten(order: 3) { |place| place.map { |length| length * factor } })

      assert_equal [6, 0, 0, 0], change.facts.values_at(:kept, :moved, :added, :lost), factor.to_s
      assert_includes change.facts[:lines].join, "multiplied by #{format("%.6g", scale)}"
      assert_equal places(job), places(change.job)
      [job, change.job].map { |state| state.measures[state.island_names.index("Face")].size_mm }
        .reduce(:zip)
        .each { |before, after| assert_in_delta before, after, 1e-6 }
    end
    glb, dae =
      %w[glb dae].map do |ending|
        model = SheetTrace::Formats::Model.of_layout(job.layout, unit_mm: 1.0)
        SheetTrace::Formats::WRITERS.fetch(ending).call(model, base_name: "a").files["a.#{ending}"]
      end
    state = SheetTrace::Job.start(SheetTrace::Formats.read_files({ "a.glb" => glb }), source_name: "a.glb")
    change = revised(state, dae, name: "a.dae")

    assert_equal 0, change.facts[:lost] + change.facts[:added]
    assert_includes change.facts[:lines].join, "multiplied by 0.001"
  end

  it "leaves what is new beside the sheet, and names what is lost" do
    fewer = revised(job, rewritten(faces: 5))

    assert_equal [5, 1], fewer.facts.values_at(:kept, :lost)
    grown = "#{rewritten(order: 5)}\nv 200 0 0\nv 220 0 0\nv 220 20 0\nf -3 -2 -1"
    more = revised(job, grown)

    assert_equal [6, 1], more.facts.values_at(:kept, :added)
    assert_equal 1, (~more.job.layout.uv_map.face_mapped).count_true
    assert_equal places(job).keys.sort, more.job.island_names.sort
    assert_includes more.job.findings.map(&:code), "faces_without_uvs"
  end

  it "shows skins that are held to the model as they were" do
    noise = Vips::Image.perlin(256, 256, cell_size: 32, uchar: true)
    png = noise.bandjoin([noise.rot90, noise.rot180]).copy(interpretation: :srgb).pngsave_buffer
    skin =
      operate(
        Models.job(Demo::TeaCaddy.obj, width_px: 256, height_px: 256),
        "add_layer",
        id: "s",
        content: {
          kind: "picture",
          picture: "256x256"
        }
      ).job
    skin = operate(skin, "hold_skin", id: "s", to: "model").job
    sheets =
      [skin, revised(skin, rewritten(order: 7)).job].map do |state|
        SheetTrace::Artwork::Compose.call(state.artwork, state.canvas(pictures: ->(_digest) { png }))
      end

    assert_operator (sheets[0] - sheets[1]).abs.max, :<=, 1
  end

  it "refuses another model, and a file that is none" do
    assert_refused(SheetTrace::InvalidOperationError, message: /it is another model/) do
      revised(job, Models.blocks([[[900, 0, 0], [5, 5, 5]]]))
    end
    assert_raises(SheetTrace::FormatError) { file("hello", "a.obj") }
  end
end
