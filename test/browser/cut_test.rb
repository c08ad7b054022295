# frozen_string_literal: true

require_relative "browser_test_case"

describe "the cut stage" do
  include BrowserTestCase

  def choice(name) = find(".inspector label", text: name, match: :first, exact_text: true).click
  def picking(name) = find(".pick-bar label", text: name, exact_text: true).click

  def picked(text) = assert_selector("output[aria-label=Picked]", exact_text: text)

  # A place of the proof, as shares of its width and height, once it stands still.
  def proof(x, y, from: "Front")
    find(".proof-view button", text: from).click
    drawn
    left, top, width, height = box(".proof-view canvas")
    [left + (width * x), top + (height * y)]
  end

  describe "with the lantern shade" do
    before { bring_in_shade(stage: "cut") }

    it "lays the whole model flat, and tells stretch before and after" do
      tab "Lay flat"
      unfold "Method, seams, size"
      find("#flatten-method").select("Roll out")
      choice "By angle"
      click_button "Lay everything flat"

      assert_done(/All faces laid flat \(rollout\): 11 islands, worst stretch 3\.642 -> 1\.003/)
      assert_selector ".island-card", text: "shade Around"
      within("table") { assert_selector "tr", text: /lid Top\s+1\.0\d+\s+1\.000/ }
      click_button "Undo"

      assert_selector ".island-card", text: "shade Left"
    end

    it "lays only what is picked flat, and gives true shape" do
      find(".island-card", text: "shade Left").click
      tab "Shape"
      click_button "True shape for shade Left"

      assert_done(/shade Left: worst stretch 3\.642 -> 1\.000/)
      find(".island-card", text: "shade Left").click
      tab "Lay flat"
      click_button "Lay shade Left flat"

      assert_done(/shade Left laid flat \(1 rolled out\)/)
      unfold "Restart from"
      click_button "The file's map"

      assert_done(/Islands as in UV set vt/)
    end

    it_with_proof "picks edges on the model, cuts along them, and follows them when laying flat" do
      picking "Edges"
      find("#pick-way").select("that bend more than")
      click_button "Add"

      assert_done(/edges picked/)
      click_button "None"
      picked "0 edges"
      click_button "Suggest the fewest cuts"

      assert_done(/Nothing to pick that way|picked/)
      click_button "None" unless page.has_selector?("output", exact_text: "0 edges", wait: 0)
      spot = proof(0.5, 0.5)
      click_at(spot)
      picked "1 edge"
      click_at(spot, :control)

      assert_done(/picked, \d+ in all/)
      click_button(text: /\ACut [1-9]/)

      assert_done(/edges? cut: \d+ pieces/)
      picked "0 edges"
      tab "Lay flat"
      click_button "Lay everything flat"

      assert_done(/All faces laid flat \(.*rolled out\)/)
    end

    it_with_proof "picks faces on the model by click, ring, run and piece, and in a box" do
      picking "Faces"
      spot = proof(0.45, 0.5)
      click_at(spot)
      picked "1 face"
      click_at(spot)
      picked "0 faces"
      click_at(spot, :control)
      picked "24 faces" # the ring round the shade
      click_button "None"
      click_at(spot)
      click_at(proof(0.6, 0.5), :shift)

      assert_done(/\A[2-9] faces picked/)
      click_button "None"
      double_click_at(spot)

      assert_done(/faces picked/)
      click_button "None"
      picked "0 faces"
      drag(proof(0.05, 0.2), proof(0.95, 0.9), :alt)
      front = find("output[aria-label=Picked]", text: /\A[1-9]/).text.to_i
      click_button "Invert"

      assert_no_selector "output[aria-label=Picked]", exact_text: "#{front} faces"
      click_button "Invert"
      picked "#{front} faces"
      find(".aids summary").click
      check "See through"
      drag(proof(0.05, 0.2), proof(0.95, 0.9), :alt)

      assert_done(/\A#{"(?!#{front} )"}\d+ faces picked/)
    end

    it_with_proof "lays picked faces flat alone, and the rest stays" do
      picking "Faces"
      double_click_at(proof(0.45, 0.5))

      assert_done(/faces picked/)
      tab "Lay flat"
      unfold "Method, seams, size"
      find("#flatten-method").select("Square-on")
      click_button(text: /\ALay \d+ faces flat\z/)

      assert_done(/faces laid flat \(square-on\)/)
    end

    it_with_proof "shows the axis of the cone that fits, and rolls out about a typed one" do
      picking "Faces"
      click_at(proof(0.45, 0.5), :control)
      picked "24 faces"
      tab "Lay flat"
      unfold "Method, seams, size"
      find("#flatten-method").select("Roll out")
      click_button "Show axis"

      # half of 120 - 80 mm over 100 mm: atan(20 / 100)
      assert_selector ".band .form-text", text: /\AA cone, half angle 11\.31°/
      type "Place on the axis y", "-250"

      assert_selector ".band .form-text", text: /half angle (?!11\.31)/
      click_button "Lay 24 faces flat"

      assert_done(/24 faces laid flat \(rollout\)/)
    end

    it "relaxes watched, and keeps or leaves what is seen; says so where nothing can move" do
      find(".island-card", text: "shade Left").click
      tab "Shape"
      choice "Border held"
      click_button "Relax shade Left"

      assert_text "all its corners are held; nothing is left to move" # it has none inside
      choice "Free border"
      click_button "Relax shade Left"

      assert_selector "[aria-label=Relaxing]", text: /Step \d+: spacing off by/
      click_button "Leave it"

      assert_no_selector "[aria-label=Relaxing]"
      assert_button "Undo", disabled: true
      click_button "Relax shade Left"
      click_button "Keep it"

      assert_done(/shade Left relaxed with a free border: spacing off by/)
    end

    it "keeps layouts, compares them side by side, goes back and removes them" do
      tab "Compare"
      fill_in "Name of the layout", with: "As received"
      click_button "Keep this layout"

      assert_done(/As received/)
      tab "Lay flat"
      unfold "Restart from"
      click_button "One seam"

      assert_done(/laid flat \(wrap\)/)
      tab "Compare"
      within(".list-group") { click_button "Compare" }
      within(".modal") do
        assert_selector "svg[aria-label='Outlines of As received']"
        assert_selector "tr", text: /Worst stretch\s+3\.642/
        click_button "Go back to it"
      end

      assert_done(/Back to As received: 12 islands/)
      within(".list-group") { click_button "Remove" }

      assert_text "No layout is kept yet"
    end
  end

  describe "with a carton" do
    before { bring_in_caddy(stage: "cut") }

    it "says why an island can't be split, and previews a net, which Escape leaves and Enter takes" do
      find(".island-card", text: "Front").click
      tab "Shape"
      click_button "Split Front in two"

      assert_text "Front has too few faces to be split"
      find("body").send_keys(:escape)

      assert_no_text "Front has too few faces to be split"
      find(".island-card", text: "Front").click
      click_button "Grow a net from Front"

      assert_selector ".not-taken", text: "Net of Front: 5 islands joined on"
      assert_selector ".island-card", count: 6
      find("body").send_keys(:escape)

      assert_no_selector ".not-taken"
      click_button "Grow a net from Front"

      assert_selector ".not-taken"
      find(".sheet-view canvas").send_keys(:enter)

      assert_done(/Net of Front: 5 islands joined on/)
      assert_selector ".island-card", count: 1
    end

    it "picks edges, corners and faces on the sheet, joins along a picked edge and detaches a picked face" do
      picking "Edges"
      # The right side of the front panel, which lies from 24 to 344 px across.
      click_at(on_sheet(344, 250))
      picked "1 edge"
      picking "Corners"
      click_at(on_sheet(24, 24))
      picked "1 corner"
      click_at(on_sheet(180, 250)) # far from any corner
      picked "1 corner"
      picking "Faces"
      drag(on_sheet(2, 2), on_sheet(1020, 1020), :alt)
      picked "6 faces"
      click_button "None"
      click_at(on_sheet(180, 250))
      picked "1 face"
      click_button "Grow"
      picked "5 faces" # all but the back have a corner in common with the front
      click_button "None"
      click_at(on_sheet(180, 250))
      picked "1 face"
      tab "Shape"
      click_button "Join along 1 edge"

      assert_selector ".not-taken", text: "1 island joined on, 5 left"
      click_button "Take it"

      assert_selector ".island-card", count: 5
      click_button "Detach 1 face"

      assert_done(/1 face detached as an island of its own/)
      assert_selector ".island-card", count: 6
      click_button "Subdivide 1 face"

      assert_done(/1 face subdivided: the model has 9 faces, 3 more/)
      assert_selector ".island-card", count: 6
      picked "0 faces"
    end

    it_with_proof "picks islands in a box, on the sheet and on the model" do
      drag(on_sheet(2, 2), on_sheet(588, 520), :alt)
      picked "2 islands"
      picking "Box"
      drag(on_sheet(2, 2), on_sheet(360, 520), :control)
      picked "1 island"

      assert_selector ".island-card.picked", text: "Left"
      drag(proof(0.02, 0.1), proof(0.98, 0.9))
      picked "2 islands" # the front, and no other can be seen from there

      assert_selector ".island-card.picked", text: "Front"
    end

    it "draws seams directly by a stroke, shows open ends and closes them" do
      unfold "Restart seams"
      click_button "None"

      assert_done(/All seams closed: 1 piece/)
      assert_selector "li", text: /faces\s*: /
      check "Draw directly: cut as it is picked"
      picked "0 edges"
      click_at(on_sheet(344, 250))

      assert_done(/1 edge cut: 1 piece/)
      assert_selector "ul[aria-label='Open ends'] li", minimum: 2
      click_at(on_sheet(344, 250))

      assert_done(/1 edge closed/)
      picking "Stroke"
      drag(on_sheet(24, 200), on_sheet(24, 260))

      assert_done(/1 edge cut/)
      uncheck "Draw directly: cut as it is picked"
      find("ul[aria-label='Open ends'] button", match: :first).click

      assert_selector "output[aria-label=Picked]", text: /\A[1-9]\d* edges?\z/
    end

    it "does the same on the other side where the model is symmetric, and picks suggested cuts for a look" do
      unfold "Restart seams"
      click_button "None"

      assert_done(/closed/)
      assert_text "Symmetric about x = 0, exactly"
      check "Do the same on the other side"
      picking "Edges"
      click_at(on_sheet(24, 250))
      click_button "Cut 1"

      assert_done(/2 edges cut/)
      click_button "All"
      picked "12 edges"
      click_button "Close 12"

      assert_done(/2 edges closed/)
      click_at(on_sheet(24, 250))
      click_button "Both sides"
      picked "2 edges"
      uncheck "Do the same on the other side"
      click_button "Suggest the fewest cuts"

      assert_selector "output[aria-label=Picked]", text: /\A[1-9] edges\z/
      assert_text "1 piece; 1 cannot be laid flat yet"
      click_button(text: /\ACut [1-9]/)

      assert_text "1 piece, which can be laid flat."
      click_button "Until stretch is below"

      assert_done(/Nothing to pick that way/) # a carton's net has no stretch
    end

    it "starts clean with no map, and fits a piece into a rectangle" do
      tab "Lay flat"
      unfold "Restart from"
      click_button "Each face alone"

      assert_done(/6 islands/)
      find(".island-card", text: "Front").click
      unfold "Method, seams, size"
      choice "In a box"
      type "Width", "400"
      type "Height", "100"
      uncheck "Keep proportions"
      click_button "Lay Front flat"

      assert_done(/Front laid flat/)
      find(".island-card", text: "Front").hover

      assert_selector ".status-bar", text: /400 × 100 px/
    end
  end
end
