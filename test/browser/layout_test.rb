# frozen_string_literal: true

require_relative "browser_test_case"

describe "the layout stage" do
  include BrowserTestCase

  before do
    bring_in_caddy
    stage "Lay out"
  end

  it "selects in sheet, strip and proof alike" do
    click_at(on_sheet(184, 264))

    assert_selector ".island-card.picked", text: "Front"
    assert_field "Island name", with: "Front"
    find(".proof-view button", text: "Above").click
    sleep 0.4
    left, top, width, height = box(".proof-view canvas")
    click_at([left + (width / 2), top + (height / 2)])

    assert_selector ".island-card.picked", text: "Top", count: 1
    click_at(on_sheet(1000, 1000))

    assert_no_selector ".island-card.picked"
  end

  it "drags an island, and Escape leaves a drag" do
    drag(on_sheet(184, 264), on_sheet(234, 284), :shift)

    assert_done(/Front: moved [\d.]+ px right$/)
    mouse.move_to_location(*on_sheet(234, 264).map(&:round)).click_and_hold.move_to_location(*on_sheet(400, 500).map(&:round)).send_keys(:escape).release.perform

    assert_done(/Front: moved/)
    click_button "Undo"

    assert_text "Undone: Front: moved"
    assert_button "Undo", disabled: true
  end

  it "scales by a corner and turns by its grip" do
    find(".island-card", text: "Front").click
    x, y = on_sheet(344, 504)
    drag([x + 8, y + 8], [x - 30, y - 50])

    assert_done(/Front: scaled to \d+(\.\d+)? x /)
    click_button "Undo"

    assert_text "Undone"
    x, y = on_sheet(344, 24)
    drag([x + 30, y - 8], [x + 30, y + 60])

    assert_done(/Front: turned [\d.]+°/)
  end

  it "takes typed numbers and sums, in px and in mm" do
    find(".island-card", text: "Left").click
    type "Centre x", "=1000/2"

    assert_text "Left: centre 500, 264 px"
    find(".inspector label", text: "mm").click
    type "Width", 25

    assert_text "Left: centre 500, 264 px, 100 x 240 px"
    type "Model-up", 45

    assert_text "turned 45°"
  end

  it "nudges and turns by keys" do
    find(".island-card", text: "Right").click
    find(".island-card", text: "Right").send_keys(:up)

    assert_text "Right: moved 1 px up"
    find(".island-card", text: "Right").send_keys(">")

    assert_text "Right: turned 90°"
    find("body").send_keys([:control, "z"])

    assert_text "Undone: Right: turned 90°"
    find("body").send_keys([:control, :shift, "z"])

    assert_text "Done again: Right: turned 90°"
  end

  it "zooms at the pointer and back, and fits" do
    at = on_sheet(24, 24)
    mouse.move_to_location(*at.map(&:round)).perform
    origin = Selenium::WebDriver::WheelActions::ScrollOrigin.viewport(*at.map(&:round))
    mouse.scroll_from(origin, 0, -3000).perform

    on_sheet(24, 24).zip(at) { |after, before| assert_in_delta before, after, 64 } # a px may be 64 screen px wide
    assert_operator page.evaluate_script("document.querySelector('.sheet-view').dataset.view").to_f, :>, 20
    click_button "Fit"

    assert_in_delta at[0], on_sheet(24, 24)[0], 0.01
  end

  it "refuses a sheet of 0 or 100000 px and leaves the job as it was" do
    type "Sheet width", 100_000

    assert_selector "[role=alert]", text: "sheet width is 100000 px; give a whole number from 16 to 8192"
    assert_selector ".chip", text: "1024 × 1024 px"
    assert_field "Sheet width", with: "1024"
  end

  it "follows a change that is made on another page" do
    find(".island-card", text: "Left").click
    job = @server.get("/api/jobs/#{page.current_path.split("/")[2]}")
    @server.post("/api/jobs/#{job["id"]}/operations", JSON.generate(base_revision: job["revision"], name: "place_island", parameters: { island: 1, x_px: 700 }))

    assert_field "Centre x", with: "700"
  end
end
