# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::ReadingOrder do
  box =
    SheetTrace::Job.start(
      SheetTrace::Solids.build("box", { width_mm: 30, height_mm: 40, depth_mm: 20 }),
      source_name: "a"
    )
  names = ->(tags = box.tags) do
    SheetTrace::Layout::ReadingOrder.call(box.layout, tags).flatten.map { |i| box.island_names[i] }
  end

  it "reads a box from its front round to its bottom" do
    assert_equal %w[Front Back Left Right Top Bottom], names.call
  end

  it "reads islands with art first" do
    tags = box.island_names.map { |name| name == "Bottom" ? "art" : nil }

    assert_equal "Bottom", names.call(tags).first
    assert_equal "Front", names.call(tags)[1]
  end
end
