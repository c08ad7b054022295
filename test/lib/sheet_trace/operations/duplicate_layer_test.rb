# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Operations::DuplicateLayer do
  define_method(:job) do
    operate(Models.job(Models.panel), "add_layer", content: { kind: "fill", color: "#204060" }, name: "Base").job
  end

  it "lays a copy right over the layer, under a name of its own" do
    two = operate(job, "add_layer", content: { kind: "fill", color: "#ffffff" }, name: "Top").job
    change = operate(two, "duplicate_layer", id: "layer-1")
    again = operate(change.job, "duplicate_layer", id: change.facts[:layer])

    assert_equal ["Base", "Base 2", "Top"], change.job.artwork.layers.map(&:name)
    assert_equal ["Base", "Base 2", "Base 3", "Top"], again.job.artwork.layers.map(&:name)
    assert_equal 4, again.job.artwork.layers.map(&:id).uniq.size
    assert_equal "Base copied as Base 2", change.sentence
  end

  it "copies what the edition shown has of it, unlocked, and leaves the source as it is" do
    locked = operate(job, "change_layer", id: "layer-1", locked: true).job
    change = operate(locked, "duplicate_layer", id: "layer-1")

    assert_equal [true, false], change.job.artwork.layers.map { |layer| layer.look.locked }
    assert_equal locked.artwork.layers.first, change.job.artwork.layers.first
  end
end
