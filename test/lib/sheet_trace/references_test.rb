# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/build"

describe SheetTrace::References do
  asked =
    Module.new do
      extend SheetTrace::References

      island optional: true
      islands optional: true
      faces optional: true
      material :material, optional: true
      layer :layer, optional: true
      picture optional: true
      edition optional: true
    end
  job = operate_none = Demo.tea_caddy.job
  shelf = ->(name) { Models.picture(name) if name == "4x4" }
  check =
    lambda do |values, of = job|
      asked.validated(values, SheetTrace::References::Context.new(job: of, pictures: shelf)).compact
    end

  it "takes numbers, and names that no other has" do
    assert_equal(
      { island: 3, islands: [0, 5], material: 0, layer: "layer-1", edition: 0 },
      check.call({ island: "Back", islands: ["Front", 5], material: "card", layer: "caddy-front", edition: "Pine" })
    )
    assert_equal [4, 4], check.call({ picture: "4x4" })[:picture].size_px
  end

  it "says what there is instead of what there is not" do
    {
      { island: "Roof" } => /no island "Roof"; there are Front, Left/,
      { islands: [] } => /no island is picked/,
      { island: 1.5 } => /no island 1.5/,
      { faces: [6] } => /no face 6; the model has 6/,
      { faces: [nil] } => /no face nil/,
      { material: "tin" } => /no material "tin"/,
      { layer: "luck" } => /no layer "luck"/,
      { layer: "caddy-side" } => /2 layers are called "caddy-side"; give one's id/,
      { picture: "other" } => /no picture "other"/,
      { edition: 4 } => /no edition 4/
    }.each { |values, message| assert_refused(SheetTrace::InputError, message: message) { check.call(values) } }
  end

  it "is not misled by what an island is called" do
    twice = operate(operate_none, "rename_island", island: 1, name: "0").job

    assert_equal({ island: 1 }, check.call({ island: "0" }, twice))
    assert_equal({ island: 0 }, check.call({ island: 0 }, twice))
  end
end
