# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Formats::LayoutFile do
  file = SheetTrace::Formats::LayoutFile

  it "carries a layout to another job of the same model, to the bit, sheet, islands and labels with it" do
    job = operate(Demo.tea_caddy.job, "resize_sheet", width_px: 777, height_px: 512).job
    text = file.write(operate(job, "pack", gutter_px: 3).job.layout)
    loaded = operate(Demo.tea_caddy.job, "load_layout", file: text)

    assert_equal "Layout loaded: 6 islands on 777 x 512 px", loaded.sentence
    assert_equal operate(job, "pack", gutter_px: 3).job.layout.corner_uvs.to_binary,
                 loaded.job.layout.corner_uvs.to_binary
    assert_equal %w[Front Left Right Top],
                 loaded.job.artwork.layers.map { |layer| loaded.job.island_names[layer.place.island] }
  end

  it "is JSON that others can read: the first number is the u of the first corner" do
    layout = Demo.tea_caddy.job.layout
    plain = JSON.parse(file.write(layout))

    assert_equal ["sheet-trace-layout", 1, { "width_px" => 1024, "height_px" => 1024 }, 6],
                 plain.values_at("format", "version", "sheet", "faces")
    assert_equal layout.corner_uvs[0, 0], plain["corner_uvs"].unpack1("m0").unpack1("E")
  end

  it "refuses what is no layout, is damaged, or is of another model" do
    job = Demo.tea_caddy.job
    text = file.write(job.layout)

    {
      "{" => /damaged/,
      "[]" => /no layout file/,
      "{}" => /no layout file/,
      text.sub('"version": 1', '"version": 7') => /version 7/,
      text.sub(/"corner_uvs": "..../, '"corner_uvs": "') => /damaged/,
      text.sub('"face_islands"', '"faces_islands"') => /damaged/,
      file.write(Demo.parade_drum.job.layout) => /another model/
    }.each do |broken, message|
      assert_refused(SheetTrace::InvalidOperationError, message: message) { operate(job, "load_layout", file: broken) }
    end
  end
end
