# frozen_string_literal: true

require_relative "browser_test_case"
require "zip"

# The main job, as a painter does it: from the start page to a label that has outlived the server.
describe "a first job" do
  include BrowserTestCase

  def proof_color(share_x, share_y)
    left, top, width, height = box(".proof-view canvas")
    screen_color(left + (width * share_x), top + (height * share_y))
  end

  it_with_proof "goes from a dropped model to a trace, a label in the proof, undo and a restarted server",
                closely: true do
    visit "/"
    choose("Choose a model", file("tea-caddy.obj", Demo::TeaCaddy.obj))

    assert_selector ".editor .island-card", count: 6
    assert_selector ".sheet-view[aria-busy=false]"
    stage "Lay out"
    find("#size-preset").select("512 × 512")

    assert_text "Sheet: 1024 x 1024 px -> 512 x 512 px, 4 -> 2 px/mm"
    find("#size-preset").select("1024 × 1024")

    stage "Trace"
    tab "Lines"
    type "Line width", 2
    find("label", text: "Outlines").click
    tab "Marks"
    ["Names", "Model up"].each { |mark| find("label", text: mark, exact_text: true).click }
    path = downloaded { click_link "Export the trace" }
    drawing =
      SheetTrace::Trace::Template.call(
        Models.job(Demo::TeaCaddy.obj).layout,
        size: SheetTrace::Layout::Sheet.new(width_px: 1024, height_px: 1024),
        line_px: 2.0,
        edges: "outline",
        background: "white"
      )

    assert same_pixels?(drawing.to_image, File.binread(path))

    stage "Art"
    red =
      (Vips::Image.black(200, 200, bands: 3) + [200, 30, 40]).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    choose("Bring in a picture", file("mark.png", red))
    find(".island-card", text: "Front").click
    click_button "Set as label on Front"
    type "Label width", "=120/3"
    type "Label centre, above the island's middle", 20

    assert_text "mark: 40 mm wide, 0, 20 mm from the middle of Front, turned 0°"
    find(".proof-view label", text: "Even light").click
    find(".proof-view button", text: "Front").click

    up_to_date

    assert_equal [200, 30, 40], proof_color(0.5, 0.42)
    refute_equal [200, 30, 40], proof_color(0.5, 0.58)

    click_button "Undo"

    assert_text "Undone: mark: 40 mm wide, 0, 20 mm"
    assert_field "Label centre, above the island's middle", with: "0"
    @server.kill
    @server.start
    visit page.current_path
    find(".layer .pick", text: "mark").click

    assert_field "Label width", with: "40"
    click_button "Redo"

    assert_field "Label centre, above the island's middle", with: "20"
    assert_recipe_delivers_the_same
  end

  # What was delivered by hand, and what the recipe of the job delivers without the screen.
  def assert_recipe_delivers_the_same
    stage "Deliver"
    by_hand = unzip(downloaded { click_link "Deliver the zip" })
    tab "Recipe"
    recipe = unzip(downloaded { click_link "Save as a recipe" })
    recipe.each { |name, bytes| file(name, bytes) }
    out = File.join(@folder, "again")
    system("bin/sheet-trace", "run", File.join(@folder, "tea-caddy.json"), "-o", out, exception: true, out: File::NULL)

    assert_equal %w[tea-caddy.mtl tea-caddy.obj tea-caddy.png], by_hand.keys.sort
    by_hand.each { |name, bytes| assert_equal bytes, File.binread(File.join(out, name)), name }
  end

  def unzip(path) = Zip::File.open(path) { |zip| zip.to_h { |entry| [entry.name, entry.get_input_stream.read] } }

  it "goes through the first steps, each ticked as it is done, from the bare box to its files" do
    visit "/"
    click_button "Go through it in five steps, on a caddy"

    assert_selector ".first-steps", text: /Lay the caddy flat/
    click_button "Lay everything flat"

    assert_done(/All faces laid flat \(1 net\)/)
    within(".first-steps") { click_link "Pack the sheet" }
    click_button "Pack all islands"
    click_button "Take it"

    assert_done(/1 island packed/)
    within(".first-steps") { click_link "Give it some colour" }
    find(".island-card").click
    click_button "Fill"

    within(".first-steps") { click_link "Take the template" }
    downloaded { click_link "Export the trace" }
    within(".first-steps") { click_link "Deliver" }
    downloaded { click_link "Deliver the zip" }

    assert_selector ".first-steps [aria-label$=done]", count: 5
    within(".first-steps") { click_button "Close" }

    assert_no_selector ".first-steps"
  end

  it "copies a job" do
    @server.upload({ "tea-caddy.obj" => Demo::TeaCaddy.obj })
    visit "/"
    click_button "Copy tea-caddy"

    assert_button "Copy tea-caddy copy"
  end

  it "says in one line what is wrong with a file, and starts no job" do
    visit "/"
    choose("Choose a model", file("broken.obj", "v 0 0 0\nv 1 0 0\nf 1 2 7\n"))

    assert_selector "[role=alert]", text: "broken.obj wasn't read. Line 3: vertex 7 does not exist; the file has 2"
    assert_selector ".none", text: "No jobs yet"
  end

  it "takes a dropped file" do
    visit "/"
    find(".zone")
    page.execute_script(<<~JS, Demo::TeaCaddy.obj)
      const data = new DataTransfer();
      data.items.add(new File([arguments[0]], "dropped.obj"));
      document.querySelector(".zone").dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }));
    JS

    assert_selector ".island-card", count: 6
    assert_selector ".top-bar .name", text: "dropped"
  end

  it "lists jobs, and removes one only after asking" do
    bring_in_caddy
    find(".home").click
    click_button "Remove tea-caddy"
    click_button "Keep"

    assert_selector ".job", text: "tea-caddy"
    click_button "Remove tea-caddy"
    within(".modal.show") { click_button "Remove" }

    assert_no_selector ".job"
  end
end
