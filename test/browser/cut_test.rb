# frozen_string_literal: true

require_relative "browser_test_case"

describe "the cut stage" do
  include BrowserTestCase

  before do
    choose("Choose a model", file("lantern-shade.obj", Demo::LanternShade.obj), file("lantern-shade.mtl", Demo::LanternShade.mtl))

    assert_selector ".sheet-view[aria-busy=false]"
    stage "Cut"
  end

  it "lays the whole model flat, and tells stretch before and after" do
    find("#flatten-method").select("Roll out")
    find(".inspector label", text: "By angle").click
    click_button "Lay everything flat"

    assert_done(/All faces laid flat \(rollout\): 11 islands, worst stretch 3\.642 -> 1\.003/)
    assert_selector ".island-card", text: "shade Around"
    within("table") { assert_selector "tr", text: /lid Top\s+1\.0\d+\s+1\.000/ }
    click_button "Undo"

    assert_selector ".island-card", text: "shade Left"
  end

  it "lays only what is picked flat, and gives true shape" do
    find(".island-card", text: "shade Left").click
    click_button "True shape for shade Left"

    assert_done(/shade Left: worst stretch 3\.642 -> 1\.000/)
    find(".island-card", text: "shade Left").click
    click_button "Lay shade Left flat"

    assert_done(/shade Left laid flat \(unfold\)/)
    click_button "The file's own map"

    assert_done(/Islands as in UV set vt/)
  end

  it "picks edges on the model, cuts along them, and follows them when laying flat" do
    click_button "Bends over 60°"

    assert_done(/edges picked/)
    click_button "None"
    click_button "Suggest a cut"

    assert_done(/Nothing to pick that way|picked/)
    find(".mode input").check
    find(".proof-view button", text: "Front").click
    sleep 0.5
    left, top, width, height = box(".proof-view canvas")
    spot = [left + (width * 0.5), top + (height * 0.5)]
    click_at(spot)

    assert_button "Cut 1"
    browser.action(duration: 20).key_down(:control).move_to_location(*spot.map(&:round)).click.key_up(:control).perform

    assert_done(/picked, \d+ in all/)
    click_button(text: /\ACut \d+\z/)

    assert_done(/edges? cut: \d+ pieces/)
    assert_button "Cut 0", disabled: true
    find("#flatten-method").select("Unfold")
    click_button "Lay everything flat"

    assert_done(/All faces laid flat \(unfold\)/)
  end

  it "grows a carton's net from one panel" do
    find(".home").click
    bring_in_caddy
    stage "Cut"
    find(".island-card", text: "Front").click
    click_button "Grow a net from Front"

    assert_done(/Net of Front: 5 islands joined on/)
    assert_selector ".island-card", count: 1
  end
end
