# frozen_string_literal: true

require_relative "browser_test_case"

describe "the model stage" do
  include BrowserTestCase

  def view = page.evaluate_script("document.querySelector('.sheet-view').dataset.view").split.map(&:to_f)

  it "walks from a faulty file to a clean report" do
    bring_in_shade
    find(".preflight").click

    assert_selector ".finding", count: 7
    10.times do
      break if page.has_selector?(".clean", wait: 0)

      message = find(".finding .head", match: :first).text
      find(".finding .head", match: :first).click unless page.has_selector?(".finding:first-child .mend", wait: 0)
      find(".finding:first-child .mend").click

      assert_no_selector ".finding:first-child .head", exact_text: message
      assert_selector ".findings[aria-busy=false]", visible: :all
    end

    assert_selector ".clean", text: "Nothing to mend"
    assert_selector ".top-bar .preflight", text: "clean"
    click_button "Undo"

    assert_selector ".finding", minimum: 1
  end

  it "lights and zooms to the places of a finding" do
    bring_in_shade
    find(".preflight").click
    before = view
    find(".finding .head", text: "stray face").click

    assert_selector ".places .lit", text: "belongs to"
    assert_selector ".island-card.picked", count: 1
    refute_equal before, view
    find(".finding .head", text: "nowhere on the sheet").click

    assert_selector ".places .lit", text: "bottom: 1 face"
  end

  it "hides parts, shows only one, brings all back, renames, and tags islands, whose limits follow" do
    bring_in_shade
    tab "Parts"
    click_button "Hide shade"

    assert_no_selector ".island-card", text: "shade"
    click_button "Show only lid"

    assert_selector ".island-card", count: 1
    click_button "Show all 5"

    assert_selector ".island-card", text: "shade"
    find_field("Name of part lid").tap { |field| field.set("cover") }.send_keys(:tab)

    assert_text "Part lid is now called cover"
    click_button "Lay them out once, as twins"

    assert_text "hook right laid on the place of hook left"
    find(".preflight").click

    assert_selector ".finding", text: /and 1 more are not at 6\.40 px/
    tab "Facts"
    find(".island-card", text: "cover Top").click
    find(".facts label", text: "plain").click

    assert_text "cover Top tagged plain"
    find(".preflight").click

    assert_selector ".finding", text: /and shade Right \w+ are not at 6\.40 px/
    assert_no_selector ".finding", text: "and 1 more are not at"
  end

  it_with_proof "shows stretch and density in bands, with the worst faces to step through", closely: true do
    bring_in_shade
    find(".proof-view label", text: "Stretch").click

    assert_selector ".legend", text: "over 2"
    click_button "Next worst face"

    assert_selector ".legend", text: /face 1 of \d+: 3\.\d+/
    find(".proof-view label", text: "Density").click

    assert_selector ".legend", text: "over 25 %"
    # The lid is coarser than the median by more than 20 %: the lowest band, hatched; at 45 %, hatching blends in.
    find(".zoom-tools button", text: "Whole").click
    eventually do
      colors = (0..12).map { |i| screen_color(*on_sheet(120 + (2 * i), 780)) }

      refute_empty colors.select { |color| color.zip([0x3d, 0x5f, 0x8c]).all? { |got, band| (got - band).abs <= 10 } },
                   colors.inspect
    end
  end

  it "makes a solid by typed measures" do
    visit "/"
    select "Cylinder", from: "solid-kind"
    type "Diameter", 50
    type "Height, y", "=2*40"
    click_button "Make the cylinder"

    assert_selector ".island-card", text: "Around"
    assert_selector ".island-card", text: "× 80 mm"
    assert_selector ".facts", text: "Cylinder, made here"
  end

  it "brings in a zip with a textured GLB's parts, and says what units the file has" do
    reading = SheetTrace::Formats.read(Demo::TeaCaddy.obj, name: "caddy.obj")
    glb =
      SheetTrace::Formats::Gltf::Writer.call(SheetTrace::Formats::Model.of_reading(reading), base_name: "caddy").files[
        "caddy.glb"
      ]
    visit "/"
    choose("Choose a model", file("all.zip", SheetTrace::Formats::Zip::Writer.call({ "caddy.glb" => glb })))

    assert_selector ".island-card", count: 6
    assert_selector ".facts", text: "caddy.glb, glTF"
    assert_text "As the file says."
    assert_selector ".island-card", text: "80 × 120 mm"
  end

  it_with_proof "names what lies in one place under the pointer, and cycles through it" do
    panel = Models.panel.lines(chomp: true)
    coat = [
      "o body",
      *panel[0..-2],
      panel.last,
      "o coat",
      *panel.grep(/^vt/).map { |line| line.sub("vt 0.", "vt 0.4") },
      "f 1/5 2/6 3/7 4/8"
    ]
    bring_in({ "coat.obj" => coat.join("\n") })
    find(".proof-view button", text: "Front").click
    drawn
    left, top, width, height = box(".proof-view canvas")
    middle = [left + (width / 2), top + (height / 2)]
    mouse.move_to_location(5, 5).perform
    click_at(middle)

    assert_selector ".status-bar", text: "in one place: body, then coat"
    first = find(".island-card.picked").text
    click_at(middle)

    refute_equal first, find(".island-card.picked").text
  end
end
