# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::MaskPicture do
  # A ground, a patch of another colour on it, and a mark that is hidden.
  let(:job) do
    job = operate(Models.job(Models.panel), "add_layer", id: "base", content: { kind: "fill", color: "#204060" }).job
    spot = { kind: "island", island: 0, width_mm: 40.0 }
    job = operate(job, "add_layer", id: "gold", content: { kind: "fill", color: "#c8a030" }, place: spot).job
    operate(operate(job, "set_bleed", bleed_px: 0).job, "change_layer", id: "gold", opacity: 1.0).job
  end
  define_method(:mask) do |state, **values|
    masked = operate(state, "set_mask", **values).job
    masked.mask_picture(masked.canvas(pictures: nil))
  end
  # At the panel's middle, on it beside the patch, and beside the panel.
  define_method(:at) { |image| [[307, 614], [120, 340], [900, 900]].map { |x, y| image.getpoint(x, y)[0] } }

  it "is white where the named layers have paint, whatever lies under or over them" do
    assert_equal [255, 0, 0], at(mask(job, layers: ["gold"]))
    assert_equal [255, 255, 255], at(mask(job, layers: %w[base gold]))
    assert_equal [0, 255, 255], at(mask(job, layers: ["gold"], inverted: true))
    half = operate(job, "change_layer", id: "gold", opacity: 0.5).job

    assert_in_delta 128, at(mask(half, layers: ["gold"]))[0], 1
    assert_equal [0, 0, 0], at(mask(operate(job, "change_layer", id: "gold", visible: false).job, layers: ["gold"]))
  end

  it "is white where the art has one colour" do
    assert_equal [255, 0, 0], at(mask(job, from: "color", color: "#c8a030", low: 0.9))
  end

  it "goes out beside the texture of each edition, and not once its layers are gone" do
    state = operate(job, "add_edition", name: "Plain").job
    state = operate(state, "replace_in_edition", id: "gold", edition: 1, visible: false).job
    state = operate(state, "set_mask", layers: ["gold"]).job
    deliver = ->(own) do
      SheetTrace::Job::Deliver.call(
        own,
        size: own.sheet,
        pictures: nil,
        base_name: "box",
        format: "none",
        editions: [0, 1]
      )
    end
    files = deliver.call(state)
    masks =
      files
        .select { |name, _| name.include?("-mask") }
        .transform_values { |bytes| Vips::Image.new_from_buffer(bytes, "").max }

    assert_equal [0, 255], masks.values.sort
    assert_empty deliver.call(operate(state, "remove_layer", id: "gold").job).keys.grep(/mask/)
    assert_nil operate(state, "set_mask", none: true).job.mask
  end
end
