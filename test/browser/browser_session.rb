# frozen_string_literal: true

require_relative "../running_server"
require_relative "page_actions"
require_relative "page_queries"
require "capybara"
require "capybara/dsl"
require "selenium-webdriver"
require "tmpdir"

CHROMIUM_FLAGS = %w[
  --headless
  --no-sandbox
  --disable-dev-shm-usage
  --disable-quic
  --no-first-run
  --disable-background-networking
  --disable-component-update
  --disable-sync
  --disable-accelerated-2d-canvas
  --disable-gpu-compositing
  --disable-gpu-rasterization
  --force-device-scale-factor=1
  --force-prefers-reduced-motion
  --force-color-profile=srgb
  --disable-search-engine-choice-screen
].freeze
# Not the script of that name in /usr/bin: the driver ends what it has started, and would leave the browser itself.
CHROMIUM = "/usr/lib/chromium/chromium-headless-shell"
# Three dimensions without a graphics card cost most of the time that a page takes.
{
  with_proof: %w[--use-angle=swiftshader --enable-unsafe-swiftshader --ignore-gpu-blocklist],
  without_proof: %w[--disable-gpu --disable-software-rasterizer]
}.each do |name, flags|
  Capybara.register_driver(name) do |capybara|
    options =
      Selenium::WebDriver::Chrome::Options.new(
        args: CHROMIUM_FLAGS + flags,
        binary: CHROMIUM,
        page_load_strategy: "none", # tests wait for what they look for
        timeouts: {
          script: 180_000 # ms
        }
      )
    options.add_option("goog:loggingPrefs", { browser: "ALL" })
    service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
    Capybara::Selenium::Driver.new(capybara, browser: :chrome, options: options, service: service)
  end
end
Capybara.default_driver = :with_proof
Capybara.run_server = false
Capybara.enable_aria_label = true
# Long enough for two processors that run other tests beside, on a machine that others have most of.
Capybara.default_max_wait_time = 60
# Looking every hundredth of a second costs as much as the pages do.
Capybara.default_retry_interval = 0.05

# A headless Chromium on a server of its own: for tests, and for the pictures in docs.
module BrowserSession
  include Capybara::DSL

  WIDTH = 1280
  HEIGHT = 800

  # Yields a RunningServer, which goes with the block.
  #
  # @param files [Hash{String => String}] of another one's store; an empty store without them
  def with_server(files = {})
    Dir.mktmpdir do |folder|
      files.each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
      server = RunningServer.new(File.join(folder, "jobs.sqlite"))
      Capybara.app_host = server.url("")
      yield server
    ensure
      server&.kill
    end
  end

  def browser = page.driver.browser

  # Puts the browser at the size of the drawing board, with nothing remembered, on the light bench, and on no page of
  # the application.
  #
  # @param scale [Numeric] px of the screen to one of the drawing board; fewer are drawn sooner
  def reset_browser(scale: 1)
    screen_scale(scale)
    visit "/api/jobs"
    page.execute_script("localStorage.clear(); localStorage.setItem('sheet-trace-theme', 'light')")
  end

  def screen_scale(scale)
    browser.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: WIDTH,
      height: HEIGHT,
      deviceScaleFactor: scale,
      mobile: false
    )
  end

  # Opens a page of the stage.
  def tab(name) = find(".inspector [role=tab]", text: name, exact_text: true).click

  # Opens a folded section of the inspector, or leaves it open.
  def unfold(title)
    heading = find(".inspector h3 button[aria-expanded]", text: title, exact_text: true)
    heading.click if heading["aria-expanded"] == "false"
  end

  def stage(name) = find(".stage-rail button", text: name).click

  # @param server [RunningServer]
  def install_sample(server)
    system(
      { "VIPS_WARNING" => "1" },
      RbConfig.ruby,
      "--yjit",
      File.expand_path("../../demo/install.rb", __dir__),
      server.database,
      File.dirname(server.database),
      exception: true
    )
  end
end
