# frozen_string_literal: true

require_relative "browser_test_case"
require_relative "keyboard"

describe "the fit stage" do
  include BrowserTestCase
  include Keyboard

  def choice(name) = find(".inspector label", text: name, match: :first, exact_text: true).click

  def lay_under(name, bytes)
    choose("Bring in a picture", file(name, bytes))

    assert_done(/#{name} laid under the islands/)
  end

  def job = @server.get("/api/jobs")["jobs"].first.then { |card| @server.get("/api/jobs/#{card["id"]}") }

  describe "with the heron" do
    before do
      bring_in({ "heron.obj" => Demo::Heron.obj }, stage: "fit")
      lay_under("heron-template.png", Demo::Heron.pictures.values.first)
    end

    it "brings the model onto its template: found, proposed, accepted all or one, every corner on a whole pixel" do
      assert_equal({ "width_px" => 96, "height_px" => 64 }, job["sheet"]) # the first picture gives the sheet its size
      tab "Cells"
      click_button "Find cells"

      assert_done(/48 cells/)
      tab "Match"
      click_button "Propose cells for all islands"
      click_button "Accept all 8"

      assert_done(/11 pieces set into cells/)
      assert_text "11 of 11 read right"
      boxes = job["islands"].flat_map { |island| island["box_px"] }

      boxes.each { |px| assert_in_delta px.round, px, 1e-6 }
      tab "Picture"
      click_button "Use as art"

      assert_done(/heron-template laid over the sheet/)
      assert_no_button "Use as art"
      click_button "Undo"

      assert_text "Undone: heron-template"
      click_button "Undo"

      assert_text "Undone: 11 pieces set into cells"
      tab "Match"
      click_button "Propose cells for all islands"
      find(".proposals .pair", text: "body Around").click

      assert_selector ".island-card.picked", text: "body Around"
      assert_text "Not taken yet"
      click_button "Accept body Around"

      assert_button "Accept all 7"
      assert_done(/body Around set into 6 cells/)
    end

    it "is worked with the keyboard alone, from the picture to delivery" do
      find(".sheet-view canvas").click
      tab_to(/\APicture\z/)
      turn_to("Cells")
      tab_to(/\AFind cells\z/)
      press(:enter)

      assert_done(/48 cells/)
      tab_to(/\ACells\z/)
      turn_to("Match")
      tab_to(/\APropose cells/)
      press(:enter)

      assert_button "Accept all 8"
      tab_to(/\AAccept all/)
      press(:enter)

      assert_done(/11 pieces set into cells/)
      press("7")
      tab_to(/\ADeliver the zip\z/)
    end

    it_with_proof "shows hard pixels by themselves, and the picture on the model", closely: true do
      find(".proof-view label", text: "Underlay").click
      # The body's front panel in the middle of the template, 13..22 across and 13..22 down: 3 px beside its edge the
      # colour is the panel's own.
      eventually { refute_equal(*[12.6, 13.4].map { |x| screen_color(*on_sheet(x, 18.5)) }) }
      panel = screen_color(*on_sheet(13.4, 18.5))

      assert_equal panel, screen_color(*on_sheet(13.9, 18.5))
      choice "smooth"

      eventually { refute_equal panel, screen_color(*on_sheet(13.05, 18.5)) }
    end

    it_with_proof "shows on the model at once what a hand moves on the sheet, and puts it back when the drag is left",
                  closely: true do
      tab "Cells"
      click_button "Find cells"

      assert_done(/48 cells/)
      tab "Match"
      click_button "Propose cells for all islands"
      click_button "Accept all 8"

      assert_done(/set into cells/)
      find(".proof-view button", text: "Front").click
      left, top, width, height = box(".proof-view canvas")
      chest = [left + (width / 2), top + (height * 0.62)]
      up_to_date
      before = screen_color(*chest)
      mouse
        .move_to_location(*on_sheet(18, 18).map(&:round))
        .click_and_hold
        .move_to_location(*on_sheet(30, 30).map(&:round))
        .move_to_location(*on_sheet(60, 55).map(&:round))
        .perform

      eventually { refute_equal before, screen_color(*chest) }
      mouse.send_keys(:escape).release.perform

      eventually { assert_equal before, screen_color(*chest) }
    end

    it "swaps pictures of other sizes as asked, locks and looks at them, and composes one sheet of several" do
      choose("Bring in a picture", file("number.png", Demo::Skiff.pictures["skiff-number.png"]))

      assert_done(/number\.png laid under/)
      find_button("Show heron-template.png").click

      assert_text "has 96 × 64 px, the one before 400 × 400"
      click_button "The whole picture"

      assert_done(/heron-template\.png shown/)
      type "Strength", "40"

      assert_done(/40 % opaque/)
      click_button "Lock heron-template.png"

      assert_button "Remove heron-template.png", disabled: true
      find_button("Show number.png").click
      click_button "At its own scale"

      assert_done(/number\.png shown, 400 x 400 px, at its own scale: [\d.]+ % of it lies beside the sheet/)
      click_button "Keep as reference"

      assert_button "Look at number.png"
      fill_in "Scale of number.png", with: "1 px is 0.1 mm\n"

      assert_done(/scale noted/)
      png = Demo::Skiff.pictures["skiff-number.png"]
      stack = '<image w="400" h="400"><stack><layer name="Ink" src="data/1.png"/></stack></image>'
      ora =
        SheetTrace::Formats::Zip::Writer.call(
          "mimetype" => "image/openraster",
          "stack.xml" => stack,
          "mergedimage.png" => png,
          "data/1.png" => Demo::Kiosk.pictures["harbour-palette.png"]
        )
      choose("Bring in a picture", file("skin.ora", ora))

      assert_text "skin.ora has one layer. The whole lies under the islands; instead take Ink."
      assert_button "Choose skin.ora"
      click_button "Ink"

      assert_done(/skin: Ink\.png laid under/)
      find_button("Choose heron-template.png").click
      find_button("Choose skin.ora").click
      type "Width of the composed sheet", 64
      type "Height of the composed sheet", 64
      click_button "Compose 2 to one sheet"

      assert_done(/composed-2\.png: 2 cells/)
    end

    it "corrects a picture by steps, and takes them back" do
      find("select[aria-label=Correction]").select("Trim the sides")
      click_button "Add"
      drag(on_sheet(10, 8), on_sheet(90, 60))

      assert_done(/heron-template\.png: trim, 80 x 52 px/)
      type "left of step 1", "12"

      assert_done(/trim, 78 x 52 px/)
      find("select[aria-label=Correction]").select("Straighten four corners")
      click_button "Add"
      [[10, 10], [60, 12], [58, 50], [12, 48]].each { |place| click_at(on_sheet(*place)) }

      assert_done(/trim, straighten, \d+ x \d+ px/)
      click_button "Remove step 2"

      assert_done(/trim, 78 x 52 px/)
    end
  end

  describe "with the caddy" do
    before do
      bring_in({ "tea-caddy.obj" => Demo::TeaCaddy.obj }, stage: "fit")
      lay_under("palette.png", Demo::Kiosk.pictures["harbour-palette.png"])
      tab "Cells"
    end

    it "divides a picture into a grid, draws and renames cells, and sets islands in, turned and mirrored" do
      find("summary", text: "A regular grid").click
      type "Columns", 2
      type "Rows", 2
      click_button "Divide the picture"

      assert_done(/palette\.png: 4 cells/)
      click_button "Draw one"
      drag(on_sheet(4, 4), on_sheet(14, 12))

      assert_done(/Cell 5 drawn, 10 x 8 px/)
      find("[role=option]", text: "Cell 5").click
      fill_in "Name of the cell", with: "stripe\n"

      assert_done(/cells renamed/)
      find("[role=option]", text: "B2").click
      find(".island-card", text: "Front").click
      find("select[aria-label='How it is set in']").select("fill it")
      click_button "Set Front in"

      assert_done(/Front set into B2/)
      assert_equal [32, 32, 64, 64], job["islands"][0]["box_px"].map { |px| px.round(6) }
      click_button "Turn in it"

      assert_done(/Front set into B2/)
      eventually { assert_in_delta 90, job["islands"][0]["up_angle_deg"].abs, 1e-6 } # the sentence is the same again
      click_button "Turn over"

      assert_selector ".island-card", text: "mirrored"
    end

    it "finds the palette's squares, maps a material into one, and lays an island along the gradient" do
      click_button "Find cells"

      assert_done(/16 cells/)
      find("[role=option]", text: "D4").click
      find(".island-card", text: "Left").click
      find(".inspector label", text: "up", exact_text: true).click
      click_button "Lay Left along it"

      assert_done(/Left laid along the gradient of D4, from its top/)
      # The square lies from 48 to 64 px: from the middle of its first px to that of its last.
      assert_equal [48.5, 63.5], job["islands"][1]["box_px"].values_at(1, 3).map { |px| px.round(6) }
      find("[role=option]", text: "B1").click
      find("select[aria-label='What is set in']").select("all of card")
      click_button "Set card in"

      assert_done(/All faces of card set into B1/)
      job["islands"].each { |island| assert_operator island["box_px"][0], :>=, 16 - 1e-6 }
    end

    it "sets landmarks by pulling, fits by them, and tells what they are off by" do
      tab "Points"
      click_button "Set landmarks"
      box = job["islands"][0]["box_px"]
      drag(on_sheet(box[0], box[1]), on_sheet(10, 10))

      assert_selector ".inspector tbody tr", count: 1
      drag(on_sheet(box[2], box[1]), on_sheet(40, 10))

      assert_selector ".inspector tbody tr", count: 2
      click_button "Done setting"
      type "Landmark 2 x", "30"
      click_button "Fit by 2 landmarks"

      assert_done(/Front fitted by 2 landmarks \(similarity\): off by 0 px at the most/)
      assert_in_delta 10, job["islands"][0]["box_px"][0], 0.11
      click_button "Suggest next"

      assert_selector ".inspector tbody tr", count: 3
      click_button "Clear landmarks"

      assert_text "Pull a line from a corner"
    end

    it "picks a border's whole row by a double click" do
      find("body").send_keys("2")
      tab "Shape"
      find(".pick-bar label", text: "Faces").click
      click_button "All"
      click_button "Subdivide 6 faces"

      assert_done(/6 faces subdivided/)
      find("body").send_keys("4")
      tab "Points"
      find(".inspector label", text: "Drag corners and edges alone").click
      box = job["islands"][0]["box_px"]
      border = on_sheet((box[0] * 0.75) + (box[2] * 0.25), box[1])
      click_at(border)

      assert_text "2 corners"
      click_at(border, count: 2)

      assert_text "3 corners"
    end

    it "drags a corner by itself, held to pixels, and bends an island by a grid" do
      tab "Points"
      find(".inspector label", text: "Drag corners and edges alone").click
      find(".inspector label", text: "corners", exact_text: true).click
      box = job["islands"][0]["box_px"]
      drag(on_sheet(box[0], box[1]), on_sheet(box[0] + 3.3, box[1] + 2.2))

      assert_done(/Front: 1 corner moved by .* px, held to pixel corners/)
      assert_field "Corners x", with: /\A[\d.]+\z/ # what was moved stays picked
      click_button "Pick by a box"
      drag(on_sheet(box[0] - 1, box[1] - 1), on_sheet(box[2] + 0.4, box[1] + 6))

      assert_text "2 corners"
      type "Corners width", "=10/2"

      assert_done(/Front: 2 corners scaled to [\d.]+ x 100 %/)
      assert_field "Corners width", with: "5"
      click_button "Level"

      assert_done(/Front: 2 corners brought onto a level line/)
      click_button "None"
      find(".inspector label", text: "Drag corners and edges alone").click
      find(".island-card", text: "Back").click
      find(".inspector label", text: "A bend grid over picked islands").click
      box = job["islands"][3]["box_px"]
      drag(on_sheet((box[0] + box[2]) / 2, box[1]), on_sheet((box[0] + box[2]) / 2, box[1] - 3))

      assert_done(/Back bent by [\d.]+ px at a handle/)
    end
  end
end
