# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::DocumentSize do
  parse = SheetTrace::Layout::DocumentSize.method(:parse)

  # 1 inch is 25.4 mm: px = mm / 25.4 * dpi, to the nearest.
  it "reads px, and lengths at so many dots to an inch" do
    {
      ["2048x1024", nil] => [2048, 1024],
      ["247.08x91.3mm", 300.0] => [2918, 1078],
      ["10 x 5 cm", 254.0] => [1000, 500],
      ["2x1in", 600.0] => [1200, 600]
    }.each do |(text, dpi), size|
      assert_equal size, parse.call(text, dpi: dpi).then { |sheet| [sheet.width_px, sheet.height_px] }, text
    end
  end

  it "says what is wrong" do
    { "12by3" => /not of the form/, "10x5mm" => /needs --dpi/, "0x5" => /give a whole number/ }.each do |text, message|
      assert_match message, assert_raises(SheetTrace::InputError) { parse.call(text) }.message
    end
  end
end
