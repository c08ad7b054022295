# frozen_string_literal: true

require_relative "browser_test_case"
require_relative "../../bench/surfaces"

describe "long work, and other pages" do
  include BrowserTestCase

  it "shows how far work is, stops it, and changes nothing" do
    bring_in({ "wavy.obj" => Bench::Surfaces.wavy_obj(120) }, stage: "cut")
    tab "Lay flat"
    click_button "Lay everything flat"

    assert_selector ".status-bar .work", text: /Lay flat.*\d+ %/m
    find(".status-bar .work").click_button "Stop"

    assert_done(/Lay flat stopped; nothing was changed/)
    assert_no_selector ".status-bar .work"
    assert_button "Undo", disabled: true
  end

  it "tells a change of another page, and whose step undo takes back" do
    bring_in_caddy(stage: "layout")
    id = page.current_path[%r{jobs/([^/]+)}, 1]
    job = @server.get("/api/jobs/#{id}")
    body = { base_revision: job["revision"], name: "transform_islands", parameters: { islands: [0], move_px: [10, 0] } }
    @server.post("/api/jobs/#{id}/operations", JSON.generate(body), "x-page": "another")

    assert_done(/\AAnother page: Front: moved 10 px right\z/)
    assert_selector "button[title='Undo: Front: moved 10 px right, done on another page (Ctrl+Z)']"
    click_button "Undo"

    assert_done(/Undone: Front: moved 10 px right \(a step of another page\)/)
  end

  # A browser grants six connections to a server.
  it "works in seven tabs of one browser, and all of them are told of a change" do
    bring_in_caddy(stage: "layout")
    id = page.current_path[%r{jobs/([^/]+)}, 1]
    tabs =
      Array
        .new(6) { open_new_window }
        .each do |window|
          within_window(window) do
            visit "/jobs/#{id}/layout"

            assert_selector ".editor .sheet-view[aria-busy=false]"
          end
        end
    job = @server.get("/api/jobs/#{id}")
    moved = { islands: [1], move_px: [3, 0] }
    @server.post(
      "/api/jobs/#{id}/operations",
      JSON.generate(base_revision: job["revision"], name: "transform_islands", parameters: moved)
    )
    [current_window, *tabs].each do |window|
      within_window(window) { assert_done(/Another page: Left: moved 3 px right/) }
    end
  ensure
    tabs&.each(&:close)
  end
end
