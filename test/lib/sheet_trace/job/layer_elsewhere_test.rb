# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::LayerElsewhere do
  define_method(:box) do |scale|
    measures = { width_mm: 80.0 * scale, height_mm: 120.0 * scale, depth_mm: 50.0 * scale }
    SheetTrace::Job.start(SheetTrace::Solids.build("box", measures), source_name: "box.obj")
  end
  define_method(:copied) do |from, to|
    layer = from.artwork.worn.last
    parameters = SheetTrace::Job::LayerElsewhere.call(layer, from: from, to: to)
    operation =
      SheetTrace::Operations.from_plain("add_layer", JSON.parse(JSON.generate(parameters), symbolize_names: true))
    SheetTrace::Operations.run(operation, to, pictures: Models.method(:picture)).job.artwork.layers.last
  end

  it "lays a label on the island of the same name, wherever that stands in the list, with its look" do
    caddy = Models.job(Demo::TeaCaddy.obj)
    front = caddy.island_names.index("Front")
    place = { kind: "island", island: front, width_mm: 30, x_mm: 4.0, turn_deg: 12, bend_deg: 20 }
    words = { kind: "lettering", text: "Pine", font: "Oswald" }
    from = operate(caddy, "add_layer", id: "n", content: words, place: place, opacity: 0.5, blend: "multiply").job
    to = box(1)
    layer = copied(from, to)

    assert_equal [to.island_names.index("Front"), 30.0, 4.0], layer.place.to_h.values_at(:island, :width_mm, :x_mm)
    assert_in_delta 12 * Math::PI / 180, layer.place.turn_rad, 1e-9
    assert_equal ["Pine", "Oswald", 0.5, "multiply"],
                 [layer.content.text, layer.content.font, layer.look.opacity, layer.look.blend]
  end

  it "lays a decal at the same place of a model of the same size in other units, and refuses where there is none" do
    from = box(1)
    spot = {
      kind: "surface",
      face: 0,
      at: from.mesh.positions[from.mesh.corner_vertices[0...4], true].mean(axis: 0).to_a,
      width_mm: 20.0
    }
    from = operate(from, "add_layer", id: "n", content: { kind: "picture", picture: "8x8" }, place: spot).job
    inches = operate(box(1 / 25.4), "set_unit", unit_mm: 25.4).job
    layer = copied(from, inches)

    spot[:at].zip(layer.place.at) { |mm, inch| assert_in_delta mm / 25.4, inch, 1e-9 }
    assert_equal "8x8", layer.content.picture.digest
    assert_refused(SheetTrace::InvalidOperationError, message: /no surface where it lies/) { copied(from, box(3)) }
  end

  it "says what the other job has not" do
    caddy = Models.job(Demo::TeaCaddy.obj)
    label =
      operate(
        caddy,
        "add_layer",
        id: "n",
        content: {
          kind: "fill",
          color: "#aa0000"
        },
        place: {
          kind: "island",
          island: 0,
          width_mm: 9
        }
      ).job
    masked = operate(caddy, "add_layer", id: "n", content: { kind: "fill", color: "#aa0000" }, faces: [0]).job
    held =
      operate(
        operate(caddy, "add_layer", id: "n", content: { kind: "picture", picture: "8x8" }).job,
        "hold_skin",
        id: "n",
        to: "model"
      ).job
    other = Models.job(Models.blocks([[[0, 0, 0], [5, 5, 5]]]))

    { label => /no island called/, masked => /picked faces only/, held => /held to its model/ }.each do |from, message|
      assert_refused(SheetTrace::InvalidOperationError, message: message) { copied(from, other) }
    end
  end
end
