# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::ReadingOrder do
  box =
    SheetTrace::Job.start(
      SheetTrace::Solids.build("box", { width_mm: 30, height_mm: 40, depth_mm: 20 }),
      source_name: "a"
    )
  names =
    lambda do |tags = box.tags, **how|
      SheetTrace::Layout::ReadingOrder
        .call(box.layout, tags, names: box.island_names, **how)
        .flatten
        .map { |i| box.island_names[i] }
    end

  it "reads a box from its front round to its bottom" do
    assert_equal %w[Front Back Left Right Top Bottom], names.call
  end

  it "reads islands with art first" do
    tags = box.island_names.map { |name| name == "Bottom" ? "art" : nil }

    assert_equal "Bottom", names.call(tags).first
    assert_equal "Front", names.call(tags)[1]
  end

  it "reads by size, by height and by name, where that is the rule" do
    # Sides are 30 x 40, 20 x 40 and 30 x 20.
    assert_equal %w[Front Back Left Right Top Bottom], names.call(rule: "size")
    assert_equal(%w[Top Bottom], names.call(rule: "height").values_at(0, -1))
    assert_equal %w[Back Bottom Front Left Right Top], names.call(rule: "name")
  end

  it "reads islands of more weight first" do
    plan = SheetTrace::Layout::Plan.new(weights: { box.island_names.index("Top") => 3.0 })

    assert_equal "Top", names.call(plan: plan).first
  end
end
