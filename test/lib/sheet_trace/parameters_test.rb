# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Parameters do
  parameters = SheetTrace::Parameters
  stripe =
    Module.new do
      extend SheetTrace::Parameters

      number :width_mm, 0.5..200.0, "across"
      angle :turn_rad, -Math::PI..Math::PI, default: 0.0
      one_of :end_with, %w[round square], default: "round"
      color :color, default: "#aabbcc"
      text :name, optional: true
    end

  it "fills what is not given, and reads degrees from JSON" do
    values = stripe.validated(stripe.from_plain({ width_mm: 4, turn_deg: 90 }))

    assert_equal({ width_mm: 4, turn_rad: Math::PI / 2, end_with: "round", color: "#aabbcc", name: nil }, values)
    assert_equal({ width_mm: 4, turn_deg: 90.0 }, stripe.to_plain({ width_mm: 4, turn_rad: Math::PI / 2 }))
  end

  it "says all that is wrong at once, in the units of the screen, and where" do
    assert_refused(
      SheetTrace::InputError,
      { width_mm: 0 },
      message:
        /\Awidth is 0; give a number from 0.5 to 200; turn is 360.0°; give degrees from -180 to 180; colour is "red"/
    ) { stripe.validated({ width_mm: 0, turn_rad: 2 * Math::PI, color: "red" }) }
    assert_refused(
      SheetTrace::InputError,
      { height_mm: nil },
      message: /no parameter height_mm; there are width_mm, turn_deg/
    ) { stripe.from_plain({ height_mm: 1 }) }
    assert_refused(SheetTrace::InputError, { width_mm: nil }, message: /width_mm is lacking/) { stripe.validated({}) }
    assert_refused(SheetTrace::InputError, message: /width is nil/) { stripe.validated({ width_mm: nil }) }
  end

  it "reads the texts of a query" do
    assert_equal(
      { width_mm: 2.5, turn_rad: Math::PI },
      stripe.from_texts({ width_mm: "2.5", turn_deg: "180", luck: "7" })
    )
    assert_refused(SheetTrace::InputError, message: /width is "wide"/) do
      stripe.validated(stripe.from_texts({ width_mm: "wide" }))
    end
  end

  # Each type with what it takes, and what it refuses.
  {
    parameters::Whole.new(1..9) => [[1, 9], [0, 10, 1.0, "1", nil, true]],
    parameters::Number.new(0..1) => [[0, 0.5, 1], [-0.1, Float::NAN, Float::INFINITY, "0", nil, [], {}]],
    parameters::Flag.new => [[true, false], [nil, 0, "true"]],
    parameters::Text.new(5) => [["a", "a b"], ["", "   ", "abcdef", "a\0", "\xff", 3, nil]],
    parameters::Color.new => [["#00ff7A"], ["red", "#fff", "#00ff7a\n", 0]],
    parameters::Numbers.new(2, 0..10) => [[[0, 10]], [[0], [0, 11], [0, "1"], "01", { x: 1 }]],
    parameters::Direction.new => [[[0, 0, -1]], [[0, 0, 0], [0, 1], nil]],
    parameters::Rectangle.new => [[[0, 0, 1, 1]], [[0, 0, 0, 1], [0, 0, 1]]],
    parameters::ListOf.new(parameters::Whole.new(0..3), sizes: 1..2) => [[[0, 3]], [[], [0, 1, 2], [4], { 0 => 1 }]],
    parameters::Either.new(parameters::OneOf.new(%w[all]), parameters::Number.new(0..1)) => [["all", 0.5], ["none", 2]]
  }.each do |type, (good, bad)|
    it "takes and refuses for #{type.class.name.split("::").last}: #{type.to_text}" do
      good.each { |value| refute_nil type.validate(value, "it", nil).inspect }
      bad.each { |value| assert_refused(SheetTrace::InputError) { type.validate(value, "it", nil) } }
      assert_kind_of String, type.typescript
    end
  end

  it "checks records within lists, and names the entry" do
    list = parameters::ListOf.new(parameters::Record.new { whole :x, 0..9 }, entry: "place")

    assert_equal [{ x: 3 }], list.validate([{ x: 3 }], "places", nil)
    assert_refused(SheetTrace::InputError, message: /\Aplace 2: x is 12; give a whole number/) do
      list.validate([{ x: 3 }, { x: 12 }], "places", nil)
    end
    assert_refused(SheetTrace::InputError, message: /\Aplace 1: there is no parameter z; there are x/) do
      list.validate([{ x: 1, z: 1 }], "places", nil)
    end
    assert_refused(SheetTrace::InputError, message: /\Aplace 1: is 7; give x/) { list.validate([7], "places", nil) }
  end

  it "makes values that are equal where their members are, and frozen" do
    kind = Class.new(parameters::Declared) { number :x, 0..9, default: 1 }

    assert_equal kind.new(x: 2), kind.new.with(x: 2)
    assert_equal 1, { kind.new(x: 2) => 1 }[kind.new(x: 2)]
    refute_equal kind.new(x: 2), kind.new(x: 3)
    assert_predicate kind.new, :frozen?
  end
end
