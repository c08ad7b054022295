# frozen_string_literal: true

require_relative "../running_server"
require "capybara"
require "capybara/dsl"
require "selenium-webdriver"
require "tmpdir"

Capybara.register_driver :headless_chromium do |capybara|
  arguments = %w[
    --headless=new
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
    --use-angle=swiftshader
    --enable-unsafe-swiftshader
    --ignore-gpu-blocklist
    --force-device-scale-factor=1
    --force-color-profile=srgb
    --disable-search-engine-choice-screen
  ]
  options = Selenium::WebDriver::Chrome::Options.new(args: arguments, binary: "/usr/bin/chromium")
  options.add_option("goog:loggingPrefs", { browser: "ALL" })
  service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
  Capybara::Selenium::Driver.new(capybara, browser: :chrome, options: options, service: service)
end
Capybara.default_driver = :headless_chromium
Capybara.run_server = false
Capybara.enable_aria_label = true
Capybara.default_max_wait_time = 8

# A headless Chromium on a server of its own: for tests, and for the pictures in docs.
module BrowserSession
  include Capybara::DSL

  WIDTH = 1280
  HEIGHT = 800

  # Yields a RunningServer on an empty store, which goes with the block.
  def with_server
    Dir.mktmpdir do |folder|
      server = RunningServer.new(File.join(folder, "jobs.sqlite"))
      Capybara.app_host = server.url("")
      yield server
    ensure
      server&.kill
    end
  end

  def browser = page.driver.browser

  # Puts the browser at the size of the drawing board, with nothing remembered, on the light bench.
  def reset_browser
    browser.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: WIDTH,
      height: HEIGHT,
      deviceScaleFactor: 1,
      mobile: false
    )
    visit "/" unless page.current_url.start_with?(Capybara.app_host)
    page.execute_script("localStorage.clear(); localStorage.setItem('sheet-trace-theme', 'light')")
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
