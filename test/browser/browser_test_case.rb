# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../demo/build"
require_relative "browser_session"
require "capybara/minitest"
require "vips"

# Drives the real interface against the real server. Both are started once; each test finds the store empty. The model
# is shown only in tests that say so: it_with_proof.
module BrowserTestCase
  include BrowserSession
  include Capybara::Minitest::Assertions

  # Tests that look at the model in the proof.
  module WithProof
    # @param closely [Boolean] whether every px of the screen is drawn, as tests that look at colours want it
    def it_with_proof(description, closely: false, &block)
      proofs[it(description, &block)] = closely
    end

    def proofs = @proofs ||= {}
  end

  def self.included(tests) = tests.extend(WithProof)

  # @return [RunningServer]
  def self.server = @server ||= RunningServer.for_tests

  def setup
    super
    Capybara.current_driver = self.class.proofs.key?(name) ? :with_proof : :without_proof
    @folder = Dir.mktmpdir
    @server = BrowserTestCase.server
    Capybara.app_host = @server.url("")
    @server.get("/api/jobs")["jobs"].each { |job| @server.delete("/api/jobs/#{job["id"]}") }
    @downloads = File.join(@folder, "downloads").tap { |path| FileUtils.mkdir_p(path) }
    browser.execute_cdp("Browser.setDownloadBehavior", behavior: "allow", downloadPath: @downloads)
    reset_browser(scale: self.class.proofs[name] ? 1 : 0.5)
  end

  def teardown
    keep_picture unless passed?
    # What a server says no to, or a test's own killing of it, is no fault of the page.
    faults =
      browser
        .logs
        .get(:browser)
        .select { |entry| entry.level == "SEVERE" && !entry.message.match?(/status of 4\d\d|net::ERR/) }
    FileUtils.remove_entry(@folder)

    assert_empty faults.map(&:message), "errors in the browser's console"
    super
  end

  # What the screen showed when the test failed.
  def keep_picture
    FileUtils.mkdir_p("var/failed")
    browser.save_screenshot("var/failed/#{name.gsub(/\W+/, "-")}.png")
  end

  # @return [String] path of a file made for this test
  def file(name, bytes) = File.join(@folder, name).tap { |path| File.binwrite(path, bytes) }

  # Chooses files as the file dialog does.
  def choose(label, *paths) = find("input[type=file][aria-label='#{label}']", visible: :all).send_keys(paths.join("\n"))

  # Starts a job of a model's files on the server, and opens it.
  #
  # @param files [Hash{String => String}] name => bytes
  def bring_in(files, stage: "model")
    job = @server.upload(files)
    visit "/jobs/#{job["id"]}/#{stage}"

    assert_selector ".editor .island-card", minimum: 1
    assert_selector ".sheet-view[aria-busy=false]"
  end

  def bring_in_caddy(stage: "model") = bring_in({ "tea-caddy.obj" => Demo::TeaCaddy.obj }, stage: stage)

  def bring_in_shade(stage: "model")
    files = { "lantern-shade.obj" => Demo::LanternShade.obj, "lantern-shade.mtl" => Demo::LanternShade.mtl }
    bring_in(files, stage: stage)
  end

  # Types into a number field and presses Enter.
  def type(label, value)
    field = find_field(label)
    field.click
    field.send_keys([:control, "a"], value.to_s, :enter)
  end

  # What the status bar says of the last change.
  def assert_done(pattern) = assert_selector(".status-bar .done", text: pattern)

  # The file that a click downloads. One of the same name that was downloaded before would be written over.
  def downloaded
    FileUtils.rm_f(Dir[File.join(@downloads, "*")])
    yield
    1200.times do
      # The file is there empty before what is loaded takes its place.
      fresh = Dir[File.join(@downloads, "*")]
      return fresh.first if fresh.any? && fresh.none? { |path| path.end_with?(".crdownload") || File.empty?(path) }

      sleep 0.05
    end

    flunk "nothing was downloaded"
  end

  # The colour of a place of the screen, as the painter sees it.
  #
  # @return [Array<Integer>] red, green, blue
  def screen_color(x, y)
    bytes = browser.screenshot_as(:png)
    Vips::Image.new_from_buffer(bytes, "").getpoint(x.round, y.round).first(3).map(&:round)
  end

  # Shows every px of the screen from now on, for tests that look at colours.
  def look_closely
    screen_scale(1)
    drawn
  end

  # Where an element lies on the screen: left, top, width, height.
  def box(selector)
    page.evaluate_script(
      "(() => { const b = document.querySelector(#{selector.to_json}).getBoundingClientRect(); return [b.left, " \
        "b.top, b.width, b.height]; })()"
    )
  end

  # The px of a sheet place on the screen.
  def on_sheet(x, y)
    view = page.evaluate_script("document.querySelector('.sheet-view').dataset.view").split.map(&:to_f)
    left, top, = box(".sheet-view")
    [left + (x * view[0]) + view[1], top + (y * view[0]) + view[2]]
  end

  def mouse = browser.action(duration: 20)

  def drag(from, to, *keys)
    action = mouse
    keys.each { |key| action.key_down(key) }
    action.move_to_location(*from.map(&:round)).click_and_hold
    action.move_to_location(*from.zip(to).map { |a, b| ((a + b) / 2).round }).move_to_location(*to.map(&:round)).release
    keys.each { |key| action.key_up(key) }
    action.perform
  end

  # Waits until the screen shows all that the page has been asked for so far.
  def drawn
    page.evaluate_async_script("requestAnimationFrame(() => requestAnimationFrame(arguments[0]))")

    assert_selector ".proof-view[aria-busy=false]"
    page.evaluate_async_script("requestAnimationFrame(() => requestAnimationFrame(arguments[0]))")
  end

  # Waits until sheet and proof show the job as the server has it.
  def up_to_date
    job = @server.get("/api/jobs/#{page.current_path[%r{jobs/([^/]+)}, 1]}")

    assert_selector ".proof-view canvas[data-revision='#{job["revision"]}']"
    drawn
  end

  # Tries again until what is asserted holds: for pictures, which nothing in the page tells of.
  def eventually
    page
      .document
      .synchronize(nil, errors: [NotYet]) do
        yield
      rescue Minitest::Assertion => e
        raise NotYet, e.message
      end
  rescue NotYet => e
    flunk e.message
  end

  # What is asserted does not hold yet. (A failed assertion is no StandardError, so that waiting would let it through.)
  class NotYet < StandardError
  end

  # @param at [Array(Numeric, Numeric)] px of the screen
  # @param keys [Array<Symbol>] that are held
  def click_at(at, *keys, count: 1) = Hand.click(browser, at, *keys, count: count)
  def double_click_at(at) = [1, 2].each { |count| click_at(at, count: count) }
end
