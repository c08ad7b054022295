# frozen_string_literal: true

require_relative "browser_test_case"

describe "the layout stage" do
  include BrowserTestCase

  before { bring_in_caddy(stage: "layout") }

  it_with_proof "selects in sheet, strip and proof alike" do
    click_at(on_sheet(184, 264))

    assert_selector ".island-card.picked", text: "Front"
    assert_field "Island name", with: "Front"
    find(".proof-view button", text: "Above").click
    drawn
    left, top, width, height = box(".proof-view canvas")
    click_at([left + (width / 2), top + (height / 2)])

    assert_selector ".island-card.picked", text: "Top", count: 1
    click_at(on_sheet(1000, 1000))

    assert_no_selector ".island-card.picked"
  end

  it "drags an island and tells how near the next comes, scales it by a corner and turns it by its grip; Escape leaves" do
    drag(on_sheet(184, 264), on_sheet(234, 284), :shift)

    assert_done(/Front: moved [\d.]+ px right$/)
    mouse
      .move_to_location(*on_sheet(234, 264).map(&:round))
      .click_and_hold
      .move_to_location(*on_sheet(400, 500).map(&:round))
      .send_keys(:escape)
      .release
      .perform

    assert_done(/Front: moved/)
    assert_selector ".island-card.picked", text: "Front"
    assert_no_selector ".failure"
    click_button "Undo"

    assert_text "Undone: Front: moved"
    assert_button "Undo", disabled: true
    first, second, third = [184, 190, 196].map { |x| on_sheet(x, 264).map(&:round) }
    mouse.move_to_location(*first).click_and_hold.move_to_location(*second).move_to_location(*third).perform

    # Front and Left are 24 px apart.
    assert_selector ".change", text: /\A1\d(\.\d+)?, -?[\d.]+ px, 1\d\.\d px to Left\z/
    mouse.move_to_location(*on_sheet(250, 264).map(&:round)).perform

    assert_selector ".change", text: /over Left/
    mouse.send_keys(:escape).release.perform
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

  it "takes typed numbers and sums, keys, sizes of the sheet, and a change that is made on another page" do
    find(".island-card", text: "Left").click
    type "Centre x", "=1000/2"

    assert_text "Left: centre 500, 264 px"
    find(".inspector label", text: "mm").click
    type "Width", 25

    assert_text "Left: centre 500, 264 px, 100 x 240 px"
    type "Model-up", 45

    assert_text "turned 45°"
    find(".island-card", text: "Right").click
    find(".island-card", text: "Right").send_keys(:up)

    assert_text "Right: moved 1 px up"
    find(".island-card", text: "Right").send_keys(">")

    assert_text "Right: turned 90°"
    find("body").send_keys([:control, "z"])

    assert_text "Undone: Right: turned 90°"
    find("body").send_keys([:control, :shift, "z"])

    assert_text "Done again: Right: turned 90°"
    find(".inspector label", text: "px", exact_text: true).click
    find(".island-card", text: "Left").click
    job = @server.get("/api/jobs/#{page.current_path.split("/")[2]}")
    @server.post(
      "/api/jobs/#{job["id"]}/operations",
      JSON.generate(base_revision: job["revision"], name: "place_island", parameters: { island: 1, x_px: 700 })
    )

    assert_field "Centre x", with: "700"
    find("body").send_keys(:escape)
    type "Sheet width", 100_000

    assert_selector "[role=alert]", text: "width is 100000; give a whole number from 16 to 8192"
    assert_selector ".chip", text: "1024 × 1024 px"
    assert_field "Sheet width", with: "1024"
    { "Sheet width" => 96, "Sheet height" => 64 }.each do |field, px|
      find_field(field).send_keys([:control, "a"], px.to_s, :enter)
    end

    assert_selector ".top-bar", text: "96 × 64 px"
  end

  def choice(name) = find(".inspector label", text: name, match: :first, exact_text: true).click

  def pick(*names)
    find(".island-card", text: names.first).click
    names.drop(1).each { |name| find(".island-card", text: name).click(:shift) }
  end

  it "packs, shows attempts to choose from and takes one, and goes round what is locked and reserved" do
    tab "Pack"

    assert_text "59.8 % of the sheet is used now; the largest free square is" # 39 200 mm2 at 4 px/mm on 1024 x 1024 px
    type "Margin", "6"

    assert_done(/Margin 6 px/)
    uncheck "Islands with art are not turned"
    click_button "Pack all islands"

    assert_selector "[role=radio]", minimum: 3
    within(".inspector") { click_button(text: /\AStop/) }

    assert_selector "[role=status]", text: %r{% of the sheet, 4\.00 → 4\.\d\d px/mm}
    find("[role=radio][aria-label='Attempt 2']").click

    assert_selector "[role=radio][aria-checked=true][aria-label='Attempt 2']"
    find("body").send_keys(:escape)

    assert_no_selector "[role=radio]"
    click_button "Pack all islands"

    assert_selector "[role=radio]", minimum: 2
    within(".inspector") { click_button(text: /\AStop/) } if page.has_button?(text: /\AStop/, wait: 0)
    click_button "Take it"

    assert_done(%r{6 islands packed: 60 -> \d\d % of the sheet used, 4 -> 4\.\d+ px/mm})
    click_button "Undo"

    assert_text "Undone: 6 islands packed"
    tab "Pack"
    pick "Front"
    click_button "Lock Front"

    assert_done(/Front locked in place/)
    click_button "Draw a rectangle to keep free"
    drag(on_sheet(700, 600), on_sheet(1000, 900))

    assert_done(/1 rectangle reserved/)
    type "Width of rectangle 1", "200"

    assert_field "Width of rectangle 1", with: "200"
    click_button "Pack all islands"
    click_button "Take it"

    assert_done(/5 islands packed/)
    click_button "Unlock all"

    assert_text "Nothing is locked."
    click_button "Remove rectangle 1"

    assert_done(/nothing reserved/)
  end

  it "equalises density by weights, parks what carries no art, brings islands into line and turns each by itself" do
    tab "Scale"
    pick "Top"
    click_button "x2"

    assert_done(/Top: weight 2/)
    click_button "Equalise density"

    assert_done(%r{6 islands brought to \d\.\d+ px/mm, times weights of 1 to 2})
    pick "Bottom"
    unfold "Room on the sheet"
    click_button "Move off the sheet"

    assert_done(/Bottom laid beside the sheet/)
    click_button "Move back 1"

    assert_done(/Bottom brought onto the sheet/)
    unfold "Park what carries no art"
    click_button "Park Bottom"

    assert_done(/Bottom parked at the bottom right/)
    tab "Place"
    pick "Front", "Left", "Top"
    unfold "Align"
    find_button("Bottoms in line").click

    assert_done(/3 islands brought into line: bottom/)
    find_button("Equal gaps across").click

    assert_done(/3 islands spread across/)
    choice "each"
    click_button "90°"

    assert_done(/3 islands: turned 90°/)
    unfold "Whole pixels"
    choice "Shape"
    click_button "Bring to whole pixels"

    assert_done(/3 islands brought to pixel corners/)
    pick "Front"

    assert_button "Tops in line", disabled: true
    unfold "Sheet"
    click_button "Fit all to the sheet"

    assert_done(/All islands fitted to the sheet/)
  end

  it "holds drags to pixels, and tells the nearest box while it drags" do
    pick "Front"
    unfold "Drags snap to"
    choice "px corners"
    type "Centre x", "184.3"

    assert_done(/Front: centre 184\.3/)
    mouse
      .move_to_location(*on_sheet(184, 264).map(&:round))
      .click_and_hold
      .move_to_location(*on_sheet(200, 300).map(&:round))
      .perform

    assert_selector ".change", text: /px to Back|over Back/
    assert_selector ".change", text: "held to pixel corners"
    mouse.release.perform

    assert_done(/Front: moved/)
    job = @server.get("/api/jobs")["jobs"].first
    left = @server.get("/api/jobs/#{job["id"]}")["islands"][0]["box_px"][0]

    assert_in_delta left.round, left, 1e-6
  end

  it "puts corners where they are typed, and onto each other" do
    unfold "Corners"
    check "Pick corners on the sheet"
    click_at(on_sheet(24, 24))

    assert_field "Corner x", with: "24"
    type "Corner x", "=24+40"

    assert_done(/Front: moved so that a corner lies at 64, 24 px/)
    click_at(on_sheet(64, 24))
    mouse.key_down(:shift).move_to_location(*on_sheet(368, 24).map(&:round)).click.key_up(:shift).perform
    click_button "First onto second"

    assert_done(/Front: moved so that a corner lies at 368, 24 px/)
    choice "UV"

    assert_field "Corner y", with: "0.976563" # 1 - 24 / 1024
    choice "it alone"
    type "Corner y", "1"

    assert_done(/Front: one corner at 368, 0 px/)
  end

  it "lays out to be read, stacks twins and parts them" do
    tab "Order"
    click_button "Reading order"

    assert_selector ".not-taken", text: "Islands laid out in reading order"
    click_button "Take it"

    assert_done(/Islands laid out in reading order/)
    click_button "Stack all twins"

    assert_selector ".not-taken", text: "Stacked 1 island on Front; 1 island on Left; 1 island on Top"
    click_button "Take it"

    assert_text "6 islands share places."
    pick "Front"
    click_button "Pick twins too"

    assert_selector ".island-card.picked", count: 2
    click_button "Swap the two"

    assert_done(/Front and Back changed places/)
    find("body").send_keys(:escape)
    click_button "Unstack"

    assert_done(/6 islands moved to places of their own/)
    unfold "Kept layouts"
    fill_in "Name of the layout", with: "First"
    click_button "Keep this layout"

    assert_selector "li", text: "First"
    saved = downloaded { click_link "Save layout" }
    click_button "Reading order"
    click_button "Take it"
    choose("Load a layout file", saved)

    assert_done(/Layout loaded: 6 islands on 1024 x 1024 px/)
    choose("Load a layout file", file("broken.json", "{}"))

    assert_text "this is no layout file"
  end

  # A place of the sheet's view, as share of its box, to px of the window.
  define_method(:finger) do |across, down|
    left, top, width, height =
      page.evaluate_script(
        "(({left, top, width, height}) => [left, top, width, height])(document.querySelector('.sheet-view canvas').getBoundingClientRect())"
      )
    { x: left + (across * width), y: top + (down * height) }
  end

  define_method(:touch) do |type, *places|
    points = places.map.with_index { |(across, down), i| { **finger(across, down), id: i } }
    browser.execute_cdp("Input.dispatchTouchEvent", type: type, touchPoints: points)
  end

  it "zooms at the pointer and by two fingers, fits, and picks several islands by touch" do
    at = on_sheet(24, 24)
    mouse.move_to_location(*at.map(&:round)).perform
    origin = Selenium::WebDriver::WheelActions::ScrollOrigin.viewport(*at.map(&:round))
    mouse.scroll_from(origin, 0, -3000).perform

    on_sheet(24, 24).zip(at) { |after, before| assert_in_delta before, after, 64 } # a px may be 64 screen px wide
    assert_operator page.evaluate_script("document.querySelector('.sheet-view').dataset.view").to_f, :>, 20
    find(".zoom-tools button", text: "Whole").click

    assert_in_delta at[0], on_sheet(24, 24)[0], 0.01
    browser.execute_cdp("Emulation.setTouchEmulationEnabled", enabled: true, maxTouchPoints: 2)
    zoom = -> { find("output[aria-label=Zoom]").text.to_i }
    before = zoom.call
    touch("touchStart", [0.4, 0.5], [0.6, 0.5])
    6.times { |i| touch("touchMove", [0.4 - (0.03 * i), 0.5], [0.6 + (0.03 * i), 0.5]) }
    touch("touchEnd")

    assert_operator zoom.call, :>, before * 1.8
    click_button "Whole"
    click_button "Add to pick"
    %w[Front Left].each { |name| find(".island-card", text: name).click }

    assert_selector ".island-card.picked", count: 2
  ensure
    browser.execute_cdp("Emulation.setTouchEmulationEnabled", enabled: false)
  end
end
