# frozen_string_literal: true

require_relative "browser_test_case"

describe "the art stage" do
  include BrowserTestCase

  define_method(:job) { @server.get("/api/jobs").then { |all| @server.get("/api/jobs/#{all["jobs"].first["id"]}") } }
  define_method(:layers) { job["artwork"]["layers"] }
  define_method(:on_model) do |across, down|
    left, top, width, height = box(".proof-view canvas")
    [left + (across * width), top + (down * height)]
  end

  it_with_proof "puts a decal where the model is clicked, moves it by a drag, and leaves both by Escape" do
    bring_in_caddy(stage: "art")
    choose("Bring in a picture", file("seal.png", Demo::TeaCaddy.pictures["caddy-lid.png"]))
    find(".proof-view button", text: "Front").click
    drawn
    click_button "As decal"
    mouse.move_to_location(*on_model(0.5, 0.5).map(&:round)).perform
    find("body").send_keys(:escape)

    assert_no_text "Click where its middle goes"
    assert_empty layers
    click_button "As decal"
    click_at(on_model(0.5, 0.5))

    assert_done(/seal laid on the surface of caddy, 30 x 18.75 mm/)
    place = layers.first["place"]

    assert_in_delta 0, place["at"][0], 0.5
    assert_in_delta 1, place["stretch_worst"], 1e-6
    assert_text "Stretch left"
    type("Decal width", "20")

    assert_done(/20 x 12.5 mm/)
    drag(on_model(0.5, 0.5), on_model(0.5, 0.7))

    assert_done(/seal: on the surface of caddy/)
    moved = layers.first["place"]["at"]

    assert_in_delta place["at"][0], moved[0], 0.5
    assert_operator moved[1], :<, place["at"][1] - 10
    # A drag beside the decal turns the model.
    up_to_date
    before = page.evaluate_script("document.querySelector('.proof-view canvas').dataset.revision")
    drag(on_model(0.5, 0.2), on_model(0.6, 0.2))

    assert_equal before, page.evaluate_script("document.querySelector('.proof-view canvas').dataset.revision")
    assert_equal moved, layers.first["place"]["at"]
  end

  it_with_proof "leads a stripe from click to click, drags a spot of it, and lays one along a rim" do
    bring_in_caddy(stage: "art")
    find(".proof-view button", text: "Front").click
    drawn
    click_button "Along a path"
    [[0.4, 0.5], [0.6, 0.5], [0.6, 0.7]].each { |place| click_at(on_model(*place)) }
    find("body").send_keys(:backspace)
    find("body").send_keys(:enter)

    assert_done(/Fill laid along a path on caddy, 7.5 mm wide/)
    first, last = layers.first["place"]["spots"].map { |spot| spot["at"] }

    assert_in_delta first[1], last[1], 0.5
    drag(on_model(0.6, 0.5), on_model(0.6, 0.4))

    assert_done(/Fill: along a path/)
    assert_operator layers.first["place"]["spots"][1]["at"][1], :>, last[1] + 5
    type "Free at its start", 4

    assert_done(/Fill: along a path/)
    find(".island-card", text: "Front").click
    tab "Add"
    click_button "Along the rim of Front"

    assert_text "400 mm, closed"
  end

  it "letters an island by the height of its capitals, and says what a font lacks" do
    bring_in_caddy(stage: "art")
    find(".island-card", text: "Front").click
    fill_in "Words", with: "Lantern\nnight"
    select "Oswald Bold", from: "Font"
    click_button "Letter on Front"

    assert_done(/Lantern laid on Front, 48 x/)
    type("Height of capitals", "9.5")

    assert_field "Height of capitals", with: "9.5"
    assert_in_delta 9.5, layers.first["content"]["cap_mm"], 1e-6
    assert_text(/38 texels high, thinnest stroke \d/)
    fill_in "Words of the layer", with: "漢字"
    find("h2").click

    assert_text "Oswald Bold has no 漢 字"
    assert_equal "Lantern\nnight", layers.first["content"]["text"]
  end

  it "dresses a carton in three editions from a table, from the box to the zip of one, in at most 40 interactions" do
    acts = 0
    act = ->(&block) { (acts += 1) && block.call }
    visit "/"
    act.call { click_button "Make the box" }

    assert_selector ".island-card", text: "Front"
    act.call { stage "Art" }
    lid = Demo::TeaCaddy.pictures["caddy-lid.png"]
    plain =
      Vips::Image.black(80, 50).add([200, 60, 60]).cast(:uchar).copy(interpretation: :srgb).write_to_buffer(".png")
    act.call { choose("Bring in a picture", file("pine.png", lid), file("plum.png", plain)) }
    act.call { find(".island-card", text: "Front").click }
    act.call { click_button "Choose pine.png" } unless page.has_button?("Set as label on Front", wait: 2)
    act.call { click_button "Set as label on Front" }

    assert_done(/set on Front/)
    act.call { tab "Add" }
    act.call { fill_in "Words", with: "Pine" }
    act.call { click_button "Letter on Front" }

    assert_done(/Pine laid on Front/)
    act.call { tab "Add" }
    act.call { click_button "Fill" }

    assert_done(/Fill laid on Front/)
    act.call { click_button "Lower Fill" }
    act.call { click_button "Lower Fill" }

    assert_done(/Fill/)
    act.call { tab "Editions" }
    label = layers.find { |layer| layer["content"]["kind"] == "picture" }["name"]
    table = <<~CSV
      edition,Pine text,#{label} picture,Fill colour
      Pine,,,
      Plum,Plum,plum.png,#5a2f45
      Honey,Honey,,#c79a3c
    CSV
    act.call { choose("Load a table", file("editions.csv", table)) }

    assert_done(/Table of editions: 3 editions added/)
    act.call { choose_edition("Plum") }

    assert_done(/Edition Plum shown/)
    worn = layers.to_h { |layer| [layer["content"]["kind"], layer["content"]] }

    assert_equal %w[Plum plum.png #5a2f45],
                 [worn["lettering"]["text"], worn["picture"]["picture"]["name"], worn["fill"]["color"]]
    act.call { stage "Deliver" }
    zip = nil
    act.call { zip = downloaded { click_link "Deliver the zip" } }

    assert_equal "PK".b, File.binread(zip, 2)
    assert_operator acts, :<=, 20
  end

  define_method(:choose_edition) { |name| find("input[type=radio][aria-label='Show #{name}']", visible: :all).click }

  it "fills a cell of the table in place, marks what is replaced, and gives it back" do
    bring_in_caddy(stage: "art")
    find(".island-card", text: "Front").click
    click_button "Fill"

    assert_done(/Fill laid on Front/)
    tab "Editions"
    fill_in "Name of a new edition", with: "Plum"
    click_button "Add edition"

    assert_done(/Edition Plum added and shown/)
    click_button "Fill the editions as a table"
    select "Fill colour", from: "Add a column"
    fill_in "Fill colour of Plum", with: "#5a2f45\t"

    assert_done(/1 edition filled/)
    click_button "Done"
    tab "Layers"

    assert_selector ".layer", text: "as in Plum"
    find(".layer .pick").click unless page.has_button?("As in all editions", wait: 1)
    click_button "As in all editions"

    assert_done(/Plum: Fill as in the stack/)
    assert_no_selector ".layer", text: "as in Plum"
    csv = downloaded { tab("Editions") && click_link("Save CSV") }

    assert_equal "edition\nFirst edition\nPlum\n", File.read(csv)
  end

  it "lists seams that art does not go on across, until it does" do
    bring_in_caddy(stage: "art")
    find(".island-card", text: "Front").click
    click_button "Fill"

    assert_done(/Fill laid on Front/)
    unfold "Seams"

    assert_selector ".inspector .figures button", text: "Front | Left"
    assert_selector ".inspector .figures tbody tr", count: 4
    find(".inspector .figures button", text: "Front | Left").click

    assert_selector ".island-card.picked", count: 2
    @server.post(
      "/api/jobs/#{job["id"]}/operations",
      JSON.generate(
        base_revision: job["revision"],
        name: "add_layer",
        parameters: {
          content: {
            kind: "fill",
            color: "#2f5a45"
          }
        }
      )
    )

    assert_text "Colours go on across all seams."
  end

  it "holds a skin to the model" do
    bring_in_caddy(stage: "art")
    choose("Bring in a picture", file("skin.png", Demo::TeaCaddy.pictures["caddy-lid.png"]))
    click_button "Lay over the whole sheet"
    find("label", text: "The model", exact_text: true).click

    assert_done(/skin held to the model/)
    assert_selector ".layer", text: "held to the model"
    assert_equal "model", layers.first["place"]["kind"]
  end

  it "sets a label on alike islands too, replaces it once for all, and lets one go" do
    bring_in_caddy(stage: "art")
    find(".island-card", text: "Front").click
    fill_in "Words", with: "Pine"
    click_button "Letter on Front"

    assert_done(/Pine laid on Front/)
    click_button "Set on alike islands too"

    assert_done(/Pine set on Back too/)
    all(".layer .pick").first.click

    assert_text "It shows what Pine shows"
    fill_in "Words of the layer", with: "Plum\t"

    assert_done(/now "Plum"|Plum/)
    assert_equal %w[Plum Plum], layers.map { |layer| layer["content"]["text"] }
    click_button "Let it go its own way"

    assert_done(/goes its own way/)
    assert_nil layers.last["follows"]
  end
end
