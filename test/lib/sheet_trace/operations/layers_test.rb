# frozen_string_literal: true

require_relative "../../../test_helper"

describe "operations on layers" do
  job = Models.job(Models.panel)

  def skin(job, id) = operate(job, "add_layer", id: id, name: id, content: { kind: "picture", picture: "8x8" })

  it "sets a label as large as it fits, upright in the middle" do
    result = operate(job, "place_picture", id: "a", picture: "100x50", name: "Lid art", island: 0)
    place = result.job.artwork.layer("a").place

    assert_equal [80.0, 0.0, 0.0, 0.0], [place.width_mm.round(9), place.x_mm, place.y_mm, place.turn_rad]
    assert_equal "Lid art set on Front, 80 x 40 mm", result.sentence
  end

  it "sets a label by its width" do
    place =
      operate(job, "place_picture", id: "a", picture: "100x50", name: "Lid art", island: 0, width_mm: 25)
        .job
        .artwork
        .layer("a")
        .place

    assert_in_delta 25.0, place.width_mm
  end

  it "orders, hides, fades and removes layers" do
    two = skin(skin(job, "low").job, "high").job
    moved = operate(two, "move_layer", id: "low", to: 1)

    assert_equal %w[high low], moved.job.artwork.layers.map(&:id)
    assert_equal "low: layer 2 of 2 from below", moved.sentence
    changed = operate(two, "change_layer", id: "low", visible: false, opacity: 0.25)

    assert_equal [false, 0.25], changed.job.artwork.layer("low").look.then { |look| [look.visible, look.opacity] }
    assert_equal "low: hidden, opacity 25 %", changed.sentence
    assert_equal %w[high], operate(two, "remove_layer", id: "low").job.artwork.layers.map(&:id)
  end

  it "gives a skin no place on an island" do
    assert_refused(SheetTrace::InvalidOperationError, message: /all: there is no parameter x_mm; there are box/) do
      operate(skin(job, "all").job, "change_layer", id: "all", place: { x_mm: 3 })
    end
  end

  it "moves a label to another place by numbers" do
    labelled = operate(job, "place_picture", id: "a", picture: "100x50", name: "Art", island: 0).job
    result = operate(labelled, "change_layer", id: "a", place: { width_mm: 20, x_mm: 5, y_mm: -2.5, turn_deg: 30 })

    assert_equal "Art: 20 mm wide, 5, -2.5 mm from the middle of Front, turned 30°", result.sentence
  end
end
