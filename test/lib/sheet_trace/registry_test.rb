# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Registry do
  registry = SheetTrace::Registry.new("format", "obj" => "SheetTrace::Formats::Obj::Reader")

  it "leads a name to its constant" do
    assert_equal SheetTrace::Formats::Obj::Reader, registry.fetch("obj")
  end

  it "lists the names it has when one is lacking" do
    error =
      assert_refused(SheetTrace::UnknownNameError, { name: "xyz" }, message: /there are obj/) { registry.fetch("xyz") }

    assert_equal "unknown_name", error.code
  end
end
