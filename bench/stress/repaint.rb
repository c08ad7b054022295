# frozen_string_literal: true

# In the browser: how long from letting an island, or a decal on the model, go until sheet and proof have drawn it in
# its new place, how long the page did not listen meanwhile, and the longest frame of a drag.
require_relative "load"
require_relative "../../test/browser/browser_session"
require_relative "../../demo/build"

# One page after the other, each with a model.
class Repaint
  include BrowserSession

  MODELS = {
    "caddy, 6 islands" => -> { { "tea-caddy.obj" => Demo::TeaCaddy.obj } },
    "20 000 faces" => -> { Stress.wavy(100) },
    "100 000 faces" => -> { Stress.wavy(225) }
  }.freeze

  # By which a decal is dragged.
  ASIDE_PX = 4
  # Sample => the side that the decal is put on.
  DECALS = { "Tea caddy" => "Front", "Racing skiff" => "Left" }.freeze

  # Writes down frames, long tasks, and when the proof has drawn what came after the hand let go, in the page.
  WATCH = <<~JS
    window.tasks = [];
    window.drawn = [];
    new PerformanceObserver((list) => list.getEntries().forEach((entry) => tasks.push(Math.round(entry.duration))))
      .observe({ entryTypes: ["longtask"] });
    let last = 0;
    const tick = (now) => {
      if (last) drawn.push(Math.round(now - last));
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    window.watchRepaint = (before) => {
      window.repainted = null;
      addEventListener("pointerup", () => (window.letGo = performance.now()), { capture: true, once: true });
      const proof = document.querySelector(".proof-view");
      const look = () => {
        if (proof.querySelector("canvas").dataset.revision === before || proof.getAttribute("aria-busy") === "true") return;
        watching.disconnect();
        requestAnimationFrame(() => setTimeout(() => (window.repainted = performance.now() - letGo)));
      };
      const watching = new MutationObserver(look);
      watching.observe(proof, { attributes: true, subtree: true });
    };
  JS

  def run(moves)
    MODELS.each do |name, model|
      with_server do |server|
        reset_browser
        usable_s, job = drop(server, model.call)
        puts format("%-18s usable %.1f s after it was dropped", name, usable_s)
        paint(server, job)
        open_page(server, job)
        report(Array.new(moves) { |count| move(server, job, count) })
      end
    end
  end

  # The same of a decal on the side of a sample's model, dragged over the model.
  def run_decals(moves)
    with_server do |server|
      install_sample(server)
      DECALS.each do |name, side|
        reset_browser
        job = server.get("/api/jobs")["jobs"].find { |own| own["name"] == name }
        open_page(server, job, "art")
        lay_decal(side)
        puts format(
               "%-18s a decal, sheet of %s",
               name,
               server.get("/api/jobs/#{job["id"]}")["sheet"].values_at("width_px", "height_px").join(" x ")
             )
        { "the hand rests before" => false, "in its stride" => true }.each_with_index do |(how, at_once), turn|
          puts "  let go, #{how}:"
          report(Array.new(moves) { |count| move_decal(server, job, (turn * moves) + count, at_once: at_once) })
        end
      end
    end
  end

  def lay_decal(side)
    tab "Add"
    Dir.mktmpdir do |folder|
      path = File.join(folder, "seal.png").tap { |own| File.binwrite(own, Demo::TeaCaddy.pictures["caddy-lid.png"]) }
      find("input[type=file][aria-label='Bring in a picture']", visible: :all).send_keys(path)
      find("button", text: "As decal")
    end
    find(".proof-view button", text: side).click
    click_button "As decal"
    browser.action(duration: 0).move_to_location(*on_model(0)).click.perform
    find(".status-bar .done", text: "laid on the surface", wait: 10)
  end

  # @param count [Integer] of the drags before
  # @param at_once [Boolean] whether it is let go in the stride of a quick drag; the hand rests before otherwise
  def move_decal(server, job, count, at_once:)
    now = server.get("/api/jobs/#{job["id"]}")
    find(".proof-view canvas[data-revision='#{now["revision"]}']", wait: 10)
    dragged(now["revision"], on_model(count), [ASIDE_PX, 0], at_once: at_once)
  end

  # Where the decal is after so many drags, on the screen.
  def on_model(count)
    left, top, width, height =
      page.evaluate_script(
        "(() => { const b = document.querySelector('.proof-view canvas').getBoundingClientRect(); " \
          "return [b.left, b.top, b.width, b.height]; })()"
      )
    [left + (width / 2) + (ASIDE_PX * count), top + (height / 2)].map(&:round)
  end

  # @return [Array(Float, Hash)] s until sheet and proof show a model that is brought in, and its job
  def drop(server, files)
    visit "/"
    Dir.mktmpdir do |folder|
      paths = files.map { |name, bytes| File.join(folder, name).tap { |path| File.binwrite(path, bytes) } }
      input = first("input[type=file]", visible: :all)
      started = Stress.now
      input.attach_file(paths)
      find(".sheet-view[aria-busy=false]", wait: 60)
      find(".proof-view[aria-busy=false] canvas[data-revision]", wait: 60)
      [Stress.now - started, server.get("/api/jobs/#{server.get("/api/jobs")["jobs"].first["id"]}")]
    end
  end

  # A picture of noise over a sheet of 2048 px: what is hardest to draw.
  def paint(server, job)
    http = Net::HTTP.new("127.0.0.1", server.port)
    header = { "x-file-name" => "noise.png", "content-type" => "application/octet-stream" }
    brought = JSON.parse(http.post("/api/jobs/#{job["id"]}/pictures", Stress.picture(512), header).body)
    layer = { content: { kind: "picture", picture: brought["pictures"][0]["digest"] }, place: { kind: "sheet" } }
    now = JSON.parse(Stress.operate(http, job, "resize_sheet", { width_px: 2048, height_px: 2048 }).body)
    Stress.operate(http, now, "add_layer", layer)
  end

  def open_page(server, job, stage = "layout")
    visit "/jobs/#{job["id"]}/#{stage}"
    find(".sheet-view[aria-busy=false]", wait: 60)
    find(".proof-view canvas[data-revision='#{server.get("/api/jobs/#{job["id"]}")["revision"]}']", wait: 60)
    page.execute_script(WATCH)
  end

  # @return [Array<Numeric>] as .dragged
  def move(server, job, count)
    now = server.get("/api/jobs/#{job["id"]}")
    dragged(now["revision"], middle(now["islands"][count % now["islands"].size]))
  end

  # @return [Array(Float, Integer, Integer)] s until it is repainted, ms of the longest task then, and of the longest
  #   frame while it was dragged
  def dragged(revision, at, by = [20, 12], at_once: false)
    page.execute_script("drawn.length = 0; tasks.length = 0; watchRepaint('#{revision}')")
    drag = browser.action(duration: 16).move_to_location(*at).click_and_hold
    steps = at_once ? 8 : 60
    steps.times { |step| drag.move_to_location(at[0] + (step * by[0] / steps) + 1, at[1] + (step * by[1] / steps)) }
    drag.release if at_once
    drag.perform
    frame = page.evaluate_script("Math.max(...drawn)")
    page.execute_script("tasks.length = 0")
    browser.action(duration: 0).release.perform unless at_once
    ms =
      page
        .document
        .synchronize(20) { page.evaluate_script("repainted") || raise(Capybara::ElementNotFound, "not repainted") }
    [ms / 1000.0, page.evaluate_script("Math.max(0, ...tasks)"), frame]
  end

  # The middle of an island on the screen.
  def middle(island)
    left, top, right, bottom = island["box_px"]
    scale, x, y = page.evaluate_script("document.querySelector('.sheet-view').dataset.view").split.map(&:to_f)
    corner =
      page.evaluate_script(
        "(() => { const b = document.querySelector('.sheet-view').getBoundingClientRect(); return [b.left, b.top]; })()"
      )
    [corner[0] + ((left + right) / 2 * scale) + x, corner[1] + ((top + bottom) / 2 * scale) + y].map(&:round)
  end

  def report(moves)
    seconds, tasks, frames = moves.transpose.map(&:sort)
    half = moves.size / 2
    puts format(
           "  let go -> repainted: median %.2f s, worst %.2f; page busy at a stretch %d ms; longest frame of a drag %d ms",
           seconds[half],
           seconds.last,
           tasks[half],
           frames[half]
         )
  end
end

Capybara.current_driver = :with_proof
moves = Integer(ARGV.fetch(0, "5"))
Repaint.new.run(moves) unless ARGV[1] == "decals"
Repaint.new.run_decals(moves)
