# frozen_string_literal: true

require_relative "browser_test_case"
require_relative "accessible"
require "zip"

describe "the other stages" do
  include BrowserTestCase
  include Accessible

  it "sets the unit, names islands and tells what is to be noted of the file" do
    bring_in({ "plate.obj" => "v 0 0 0\nv 4 0 0\nv 4 3 0\nv 0 3 0\nf 1 2 3 4\n" })

    assert_selector ".note", text: "has no UVs: 1 face was laid flat"
    type "One unit is", 25.4

    assert_text "One model unit: 1 mm -> 25.4 mm"
    assert_selector ".island-card", text: "101.6 × 76.2 mm"
    find(".island-card").click
    fill_in "Island name", with: "Plate\n"

    assert_selector ".island-card", text: "Plate"
  end

  it "lays a skin and a fill, orders, hides, removes and brings back layers" do
    bring_in_caddy(stage: "art")
    look_closely
    skin = (Vips::Image.black(64, 64, bands: 3) + [10, 120, 60]).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    choose("Bring in a picture", file("skin.png", skin))
    click_button "Lay over the whole sheet"

    assert_text "skin laid over the sheet"
    up_to_date

    assert_equal [10, 120, 60], screen_color(*on_sheet(1000, 1000))
    click_button "Hide skin"

    assert_text "skin: hidden"
    up_to_date

    refute_equal [10, 120, 60], screen_color(*on_sheet(1000, 1000))
    click_button "Remove skin"

    assert_text "No layers yet."
    click_button "Undo"

    assert_selector ".layer", text: "skin"
    click_button "Remove skin"

    assert_text "No layers yet."
    tab "Add"
    find(".island-card", text: "Front").click
    click_button "Fill"

    assert_text "Fill laid on Front"
    click_at(on_sheet(1000, 1000)) # what is picked is tinted
    mouse.move_to_location(5, 5).perform
    up_to_date

    assert_equal [0x2f, 0x5a, 0x45], screen_color(*on_sheet(184, 400))
    refute_equal [0x2f, 0x5a, 0x45], screen_color(*on_sheet(900, 400))
    click_button "Undo"

    assert_text "No layers yet."
    up_to_date

    refute_equal [0x2f, 0x5a, 0x45], screen_color(*on_sheet(184, 400))
  end

  it "refuses a picture that is none, naming it, sets one as a label and moves it by hand" do
    bring_in_caddy(stage: "art")
    choose("Bring in a picture", file("words.png", "words"))

    assert_selector "[role=alert]", text: "words.png is not an image that is read here"
    choose("Bring in a picture", file("lid.png", Demo::TeaCaddy.pictures["caddy-lid.png"]))
    find(".island-card", text: "Front").click
    click_button "Set as label on Front"

    assert_text "lid set on Front, 80 x 50 mm"
    drag(on_sheet(184, 264), on_sheet(184, 344))

    assert_done(/lid: 80 mm wide, -?0(\.\d+)?, -(19|20)(\.\d+)? mm from the middle of Front/)
  end

  # How files of each format begin, or end: their own specifications.
  it "exports a template in every format, and delivers every format of model and texture" do
    bring_in_caddy(stage: "trace")
    find("#size-preset").select("256 × 256")
    {
      "PNG picture" => /\A\x89PNG\r\n/n,
      "TIFF picture" => /\A(II\*\0|MM\0\*)/n,
      "TGA picture" => /\A.\0\x02.{9}\0\x01\0\x01 /mn,
      "JPEG picture" => /\A\xFF\xD8\xFF/n,
      "WebP picture" => /\ARIFF....WEBP/mn,
      "OpenRaster, ready to paint" => %r{\APK.{28}mimetypeimage/openraster}mn,
      "SVG drawing" => /\A<\?xml .*<svg /mn,
      "PDF, true size" => /\A%PDF-1\./n
    }.each do |format, form|
      find("#format").select(format)

      assert_match form, File.binread(downloaded { click_link "Export the trace" }), format
    end
    stage "Deliver"
    deliver = ->(model, image) do
      find("#model-format").select(model)
      find("#image-format").select(image)
      Zip::File.open(downloaded { click_link "Deliver the zip" }) { |zip| zip.map(&:name) }
    end

    {
      ["GLB, one file", "PNG"] => %w[tea-caddy.glb],
      ["glTF and its files", "JPEG"] => %w[tea-caddy.gltf tea-caddy.bin tea-caddy.jpg],
      %w[COLLADA WebP] => %w[tea-caddy.dae tea-caddy.webp],
      %w[PLY TGA] => %w[tea-caddy.ply tea-caddy.tga],
      ["no model", "TIFF"] => %w[tea-caddy.tif],
      ["OBJ and MTL", "PNG"] => %w[tea-caddy.obj tea-caddy.mtl tea-caddy.png]
    }.each { |(model, image), names| assert_equal names.sort, deliver.call(model, image).sort, model }
  end

  it "shows the test chart instead of the art, goes through the stages by digits and shows its keys" do
    bring_in_caddy
    find(".proof-view label", text: "Test chart").click

    assert_selector ".legend", text: "A square is 10 mm at 4.00 px/mm"
    find("body").send_keys("3")

    assert_selector ".inspector h2", text: "Lay out"
    find("body").send_keys("?")

    assert_selector ".modal.show", text: "nudge the picked islands"
  end

  it "writes a template with marks in other formats, and says what a format loses" do
    bring_in_caddy(stage: "trace")
    find("#format").select("SVG drawing")
    tab "Marks"
    find("label", text: "Millimetres", exact_text: true).click
    find("#islands-in").select("a tint for each")
    svg = File.read(downloaded { click_link "Export the trace" })

    assert_done(/Template exported: 1024 x 1024 px, SVG, layout [0-9A-Z-]{9}/)
    assert_no_text "Template out of date"
    click_button "Undo"

    assert_done(/Undone/)
    click_button "Redo"
    stage "Lay out"
    find(".island-card", text: "Front").click
    click_button "180°"

    assert_text "Template out of date"
    click_button "Undo"

    assert_no_text "Template out of date"
    stage "Trace"

    assert_includes svg, "<title>Front</title>"
    assert_includes svg, "256mm"
    tab "Size and file"
    find("#format").select("JPEG picture")

    assert_no_text "has no transparency"
    tab "Marks"
    find("#ground").select("transparent")
    tab "Size and file"

    assert_text "has no transparency"
    find("label", text: "Document", exact_text: true).click
    type "Resolution", 150
    type "Width", 100

    assert_text "591 ×"
    find("#format").select("PDF, true size")

    assert_equal "%PDF", File.binread(downloaded { click_link "Export the trace" }, 4)
  end

  # What a plain program makes of a template: each island flooded with a colour, no word in the file.
  def painted_over(template)
    image = Vips::Image.new_from_file(template).flatten(background: [255, 255, 255]).cast(:uchar)
    spots = { [150, 250] => [200, 40, 40], [450, 250] => [40, 120, 60], [250, 700] => [50, 70, 160] }
    painted =
      spots.reduce(image) { |own, ((x, y), ink)| own.mutate { |sheet| sheet.draw_flood!(ink, x, y, equal: true) } }
    File.join(@folder, "regatta caddy.jpg").tap { |path| painted.jpegsave(path, Q: 90, strip: true) }
  end

  it "brings back what was painted over the trace, though an island was moved meanwhile" do
    bring_in_caddy(stage: "trace")
    template = downloaded { click_link "Export the trace" }

    assert_done(/Template exported/)
    painted = painted_over(template)
    job = @server.get("/api/jobs")["jobs"].first["id"]
    now = @server.get("/api/jobs/#{job}")["revision"]
    move = { base_revision: now, name: "transform_islands", parameters: { islands: [1], move_px: [470, 300] } }
    @server.post("/api/jobs/#{job}/operations", JSON.generate(move))
    click_on "Come back"
    choose("Bring a painted sheet back", painted)

    assert_done(/regatta caddy, painted on layout \w{4}-\w{4}, brought back: nothing lost/)
    assert_text(/regatta caddy.jpg is on the model: painted on layout .*told from its paint, \d+ % sure/)
    green = @server.get("/api/jobs/#{job}")["islands"][1]["box_px"]
    texture = URI(@server.url("/api/jobs/#{job}/deliver.zip?width_px=1024&height_px=1024"))
    zip = Zip::File.open_buffer(Net::HTTP.get(texture))
    sheet = Vips::Image.new_from_buffer(zip.read("tea-caddy.png"), "")

    sheet
      .getpoint((green[0] * 0.8) + (green[2] * 0.2), (green[1] * 0.3) + (green[3] * 0.7))
      .first(3)
      .zip([40, 120, 60])
      .each { |got, wanted| assert_in_delta wanted, got, 10 } # JPEG
    click_on "Take them out" # the guide's lines

    assert_no_text "The guide's lines are still in it"
    assert_equal 1, @server.get("/api/jobs/#{job}")["artwork"]["layers"][0]["place"]["guide_px"]
    choose(
      "Bring a painted sheet back",
      file("photo.png", Vips::Image.gaussnoise(1024, 1024).cast(:uchar).pngsave_buffer)
    )

    assert_text "photo.png could not be recognised"
    find("section[aria-label='Painted over which trace'] button").click

    assert_done(/photo, painted on layout/)
  end

  it "delivers as a receiver wants it, which is kept, and says what its rules do not allow" do
    bring_in_caddy(stage: "deliver")
    find("#model-format").select("GLB, one file")
    find("#image-format").select("JPEG")
    unfold "What the receiver wants"
    find("label", text: "Powers of two", exact_text: true).click
    type "Sheet width", 1000

    assert_text "1000 x 1024 px are no powers of two; take 1024 x 1024 px"
    find("#size-preset").select("512 × 512")

    assert_no_text "powers of two; take"
    fill_in "Name of the receiver", with: "Harbour"
    click_button "Keep"
    files = Zip::File.open(downloaded { click_link "Deliver the zip" }).map(&:name)

    assert_equal %w[tea-caddy.glb], files
    find("#model-format").select("OBJ and MTL")
    # Kept by the server: another browser has it, too.
    page.execute_script("localStorage.clear()")
    visit page.current_path
    unfold "What the receiver wants"
    find_field("Receivers that are kept").select("Harbour")

    assert_select "model-format", selected: "GLB, one file"
    assert_includes File.read(downloaded { click_link "Save" }), '"name": "Harbour"'
    click_button "Remove"

    assert_no_field "Receivers that are kept"
  end

  it "prints the picked island in true size, as a label or to be folded" do
    bring_in_caddy(stage: "deliver")
    tab "Print"

    assert_text "Pick one island to print"
    find(".island-card", text: "Front").click

    assert_text "80 × 120 mm, 945 × 1417 px"
    assert_equal "%PDF", File.binread(downloaded { click_link "Print file" }, 4)
    find("label", text: "Fold sheet", exact_text: true).click
    find("#print-format").select("SVG, borders to be cut")

    assert_includes File.read(downloaded { click_link "Print file" }), "<title>tabs</title>"
  end

  it "has no fault that a checker of accessibility finds, in the dark theme" do
    bring_in_caddy
    page.execute_script("localStorage.setItem('sheet-trace-theme', 'dark')")
    visit page.current_path
    ["Model", "Cut", "Lay out", "Trace", "Art", "Deliver"].each do |name|
      stage name
      find(".island-card", text: "Front").click if name == "Lay out"

      assert_accessible("#{name}, dark")
    end
  end
end
