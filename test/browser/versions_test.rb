# frozen_string_literal: true

require_relative "browser_test_case"
require_relative "../../demo/plain_painter"

describe "layers in groups, states of a job and what comes from other programs" do
  include BrowserTestCase

  define_method(:job) { @server.get("/api/jobs").then { |all| @server.get("/api/jobs/#{all["jobs"].first["id"]}") } }
  define_method(:operate) do |name, **parameters|
    own = job
    call = { base_revision: own["revision"], name: name, parameters: parameters }
    @server.post("/api/jobs/#{own["id"]}/operations", JSON.generate(call))
  end

  it "groups, merges and parts layers, lays the trace over them, and bends a label on its island" do
    bring_in_caddy(stage: "art")
    operate("add_layer", name: "Ground", content: { kind: "fill", color: "#d8a030" })
    place = { kind: "island", island: "Front", width_mm: 40 }
    operate("add_layer", name: "Band", content: { kind: "fill", color: "#204060" }, place: place)

    tab "Layers"

    assert_selector ".layer", count: 2
    find(".layer .pick", text: "Band").click

    assert_text "On Front."
    select "a new one", from: "Group"

    assert_done(/Band in the group Group 1/)
    click_button "Hide group Group 1"

    assert_done(/Group Group 1: hidden/)
    click_button "Bend and pull"
    type("Bend", "60")

    assert_done(/bent by 60/)
    assert_equal 60, job["artwork"]["layers"].last["place"]["bend_deg"].round
    click_button "Merge Band down"

    assert_done(/Band merged with Ground/)
    assert_selector ".layer", text: "merged of 2 layers"
    click_button "Part Ground into its layers"

    assert_done(/parted into Ground and Band/)
    click_button "Lay the trace over it as a guide"

    assert_selector ".layer", text: "guide not delivered"
  end

  it "catches a label on the middle of its island while it is moved, and says on what" do
    bring_in_caddy(stage: "art")
    place = { kind: "island", island: "Front", width_mm: 20, x_mm: 9.0, y_mm: 20.0 }
    operate("add_layer", name: "Seal", content: { kind: "fill", color: "#a03020" }, place: place)
    tab "Layers"
    find(".layer .pick", text: "Seal").click
    own = job["artwork"]["layers"].first["place"]
    from = on_sheet(*own["middle_px"])
    # To within 2 mm of the middle, which is nearer than the hand can see at this size.
    to = on_sheet(own["middle_px"][0] - (8.6 * 4), own["middle_px"][1] + (15 * 4))
    drag(from, to)

    assert_done(/Seal: 20 mm wide, 0,/)
  end

  it "lists the states of a job, compares one with the present, marks it and goes back to it" do
    bring_in_caddy(stage: "layout")
    operate("rename_island", island: "Front", name: "Face")
    operate("transform_islands", islands: ["Face"], move_px: [30, 0])
    click_button "History"
    within ".modal.show" do
      assert_selector "[aria-label='States of the job'] li", count: 3
      all("[aria-label='States of the job'] button").last.click

      assert_text "Island Front is now Face"
      assert_text "moved, turned or sized: Face"
      fill_in "Name of this state", with: "As it came"
      click_button "Mark it"

      assert_selector "li b", text: "As it came"
      click_button "Go back to it"
    end

    assert_done(/Back to “As it came”/)
    assert_equal 4, @server.get("/api/jobs/#{job["id"]}/history")["states"].size
    click_button "Undo"

    assert_selector ".island-card", text: "Face"
  end

  it "shows what a plain program saves in the exchange folder, without a hand on the page" do
    bring_in_caddy(stage: "trace")
    tab "Come back"
    click_button "Exchange folder"
    click_button "Open an exchange folder"
    folder = find(".path").text
    tab "Size and file"
    click_button "Write it into the exchange folder"

    assert_done(/template|trace|export/i)
    template = nil
    100.times { break if (template = Dir[File.join(folder, "*.png")].first) || sleep(0.05).nil? }
    middle =
      job["islands"].find { |island| island["name"] == "Front" }["box_px"].then do |own|
        [(own[0] + own[2]) / 2, (own[1] + (own[3] * 3)) / 4]
      end
    File.binwrite(template, Demo::PlainPainter.call(File.binread(template), [[*middle.map(&:round), "#aa3355"]]))
    tab "Come back"

    assert_selector "[aria-label='Files of the folder'] small", text: /\Aon the model\z/, wait: 10
    assert_equal "model", job["artwork"]["layers"].last["place"]["kind"]
  end

  it "shows a revised model beside the old one, and takes it" do
    bring_in_caddy
    taller =
      Demo::TeaCaddy
        .obj
        .gsub(/^v (\S+) (\S+) (\S+)$/) do
          "v #{Regexp.last_match(1)} #{(Regexp.last_match(2).to_f * 1.003).round(4)} #{Regexp.last_match(3)}"
        end
    click_button "Revised model"
    choose("Choose the new model", file("caddy-2.obj", taller))

    assert_selector ".not-taken img", count: 2
    assert_selector ".not-taken", text: "Moved"
    click_button "Take the new model"

    assert_done(/caddy-2.obj in the place of tea-caddy.obj/)
    assert_equal "caddy-2.obj", job["source"]["name"]
  end
end
