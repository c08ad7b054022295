# frozen_string_literal: true

# Takes the pictures in docs/screenshots from the sample jobs: ruby --yjit script/screenshots.rb [NAME ...]
require_relative "../config/environment"
require_relative "../test/browser/browser_session"
require_relative "../demo/build"

# One picture of each main view, at 1280 x 800.
module Screenshots
  extend BrowserSession

  FOLDER = File.expand_path("../docs/screenshots", __dir__)

  # name => what is done before the picture is taken
  VIEWS = {
    "start" => -> { visit "/" },
    "model" => -> { open_stage "Model", island: "Front" },
    "preflight" =>
      lambda do
        open_job "Lantern shade"
        find(".preflight").click
        find(".finding .head", text: "stray face").click
      end,
    "stretch-map" =>
      lambda do
        open_job "Lantern shade"
        find(".proof-view label", text: "Stretch").click
        click_button "Next worst face"
      end,
    "cut" =>
      lambda do
        open_job "Lantern shade"
        stage "Cut"
        find(".pick label", text: "Edges").click
        click_button "Add"
        find_button(text: /\ACut [1-9]/).click
        find(".status-bar .done", text: "pieces")
        find(".island-card", text: "shade Left").click
        find(".pick label", text: "Faces").click
        find("#pick-way").select("of picked islands")
        click_button "Add"
      end,
    "laid-flat" =>
      lambda do
        open_job "Lantern shade"
        stage "Cut"
        tab "Lay flat"
        unfold "Method, seams, size"
        find("#flatten-method").select("Roll out")
        find(".inspector label", text: "By angle").click
        click_button "Lay everything flat"
        find(".island-card", text: "shade Around")
        find(".proof-view label", text: "Stretch").click
      end,
    "unfolded-skiff" =>
      lambda do
        open_job "Racing skiff"
        stage "Cut"
        tab "Lay flat"
        find(".proof-view label", text: "Stretch").click
      end,
    "compare" =>
      lambda do
        open_job "Lantern shade"
        stage "Cut"
        tab "Compare"
        fill_in "Name of the layout", with: "As received"
        click_button "Keep this layout"
        tab "Lay flat"
        unfold "Restart from"
        click_button "One seam"
        find(".status-bar .done", text: "wrap")
        tab "Compare"
        within(".list-group") { click_button "Compare" }
      end,
    "packing" =>
      lambda do
        open_job "Racing skiff"
        stage "Lay out"
        tab "Pack"
        click_button "Pack all islands"
        find("button", text: "Pack all islands", wait: 60)
      end,
    "fit-cells" =>
      lambda do
        open_fit "Harbour kiosk", "Cells"
        find("[role=option]", text: "shutter").click
        find(".island-card", text: "shed Front").click
      end,
    "fit-match" =>
      lambda do
        propose_heron
        find(".proposals .pair", text: "head Around").click
      end,
    "fit-landmarks" =>
      lambda do
        open_fit "Racing skiff", "Points"
        find(".island-card", text: "hull Right").click
        find(".inspector .figures button", text: "1 hull").click
      end,
    "history" =>
      lambda do
        open_stage "Art"
        find(".layer .pick", text: "caddy-front").click
        fill_in "Label width", with: "56\n"
        find(".status-bar .done", text: "56 mm wide")
        click_button "Bend and pull"
        fill_in "Bend", with: "30\n"
        find(".status-bar .done", text: "bent by 30")
        click_button "History"
        all("[aria-label='States of the job'] button").last.click
        find("label", text: "Model", exact_text: true).click
      end,
    "layout" => -> { open_stage "Lay out", island: "Back" },
    "trace" =>
      lambda do
        open_stage "Trace"
        tab "Marks"
        ["Millimetres", "Neighbours", "Title line"].each { |mark| find("label", text: mark, exact_text: true).click }
        find("#islands-in").select("a tint for each")
      end,
    "art" =>
      lambda do
        open_job "Racing skiff"
        stage "Art"
        find(".layer .pick", text: "stripe").click
      end,
    "lettering" =>
      lambda do
        open_job "Paper lantern"
        stage "Art"
        find(".layer .pick", text: "words").click
      end,
    "editions" =>
      lambda do
        open_stage "Art"
        tab "Editions"
        click_button "Fill the editions as a table"
        find(".modal.show")
      end,
    "deliver-dark" =>
      lambda do
        page.execute_script("localStorage.setItem('sheet-trace-theme', 'dark')")
        open_stage "Deliver", island: "Front"
        tab "Print"
      end
  }.freeze

  # Each from fresh samples: some views change them.
  def self.run(names)
    samples = {}
    (names.empty? ? VIEWS.keys : names).each do |name|
      with_server(samples) do |server|
        if samples.empty?
          install_sample(server)
          samples = server.files
        end
        reset_browser
        VIEWS.fetch(name).call
        settle
        browser.save_screenshot(File.join(FOLDER, "#{name}.png"))
      end
    end
  end

  def self.open_job(name)
    visit "/"
    find(".job a", text: name).click
    find(".sheet-view[aria-busy=false]")
  end

  def self.open_stage(name, island: nil)
    open_job "Tea caddy"
    stage name
    find(".island-card", text: island).click if island
  end

  def self.open_fit(name, page)
    open_job name
    stage "Fit"
    find(".proof-view label", text: "Underlay").click
    tab page
  end

  def self.propose_heron
    open_fit "Heron, to be fitted", "Cells"
    click_button "Find cells"
    find(".status-bar .done", text: "48 cells")
    tab "Match"
    click_button "Propose cells for all islands"
    find_button "Accept all 8"
  end

  # Waits until images and a frame of the proof are drawn.
  def self.settle
    sleep 2
    sleep 0.1 until evaluate_script("[...document.images].every((image) => image.complete)")
    return unless has_selector?(".proof-view", wait: 0)

    has_no_selector?(".proof-view .waiting")
    find(".proof-view[aria-busy=false]")
    sleep 1
  end
end

Screenshots.run(ARGV)
