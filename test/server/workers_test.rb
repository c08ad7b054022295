# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../running_server"
require_relative "../../bench/stress/costly_files"
require_relative "../../bench/surfaces"

describe "workers beside the server" do
  # One server for all, on a store of its own.
  def self.server = @server ||= RunningServer.for_tests

  def self.crowd = @crowd ||= server.upload("patches.obj" => Bench::Surfaces.patches(700))["id"]

  def server = self.class.server

  # Work of several seconds, begun and not waited for; how far it is can be heard.
  def begin_packing(job)
    body = JSON.generate(base_revision: job["revision"], name: "pack", parameters: {})
    @events = open_page
    page = TCPSocket.new("127.0.0.1", server.port)
    page.write("POST /api/jobs/#{job["id"]}/operations HTTP/1.1\r\nHost: 127.0.0.1\r\nx-work: w1\r\n")
    page.write("content-type: application/json\r\ncontent-length: #{body.bytesize}\r\n\r\n#{body}")

    assert goes_on?(60), "the work has not begun"
    page
  end

  # A page's stream of events.
  def open_page
    TCPSocket
      .new("127.0.0.1", server.port)
      .tap { |page| page.write("GET /api/events HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n") }
  end

  # Whether the work tells of itself from now on, within a time.
  def goes_on?(seconds)
    nil while @events.read_nonblock(65_536, exception: false).is_a?(String)
    till = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    while (left = till - Process.clock_gettime(Process::CLOCK_MONOTONIC)).positive?
      return true if @events.wait_readable(left) && @events.readpartial(65_536).include?("event: progress")
    end
    false
  end

  # The process that computes the most.
  def busiest
    before = ticks
    sleep 0.5
    ticks.max_by { |worker, now| now - before.fetch(worker, now) }.first
  end

  def ticks
    server.family.to_h do |pid|
      [pid, File.read("/proc/#{pid}/stat").split.values_at(13, 14).sum(&:to_i)]
    rescue SystemCallError
      [pid, 0]
    end
  end

  def wait_until(seconds = 60)
    till = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until (found = yield)
      flunk "it did not come to that" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > till
      sleep 0.02
    end
    found
  end

  # Islands that take several seconds to pack; brought in once.
  def crowd
    server.get("/api/jobs/#{self.class.crowd}")
  end

  it "answers others, and the same job, while work goes on" do
    job = crowd
    page = begin_packing(job)

    assert_equal job["revision"], server.get("/api/jobs/#{job["id"]}")["revision"]
    assert_equal 6, server.post("/api/solids", JSON.generate(kind: "box", measures: {}))["islands"].size
    assert goes_on?(3), "the packing has ended meanwhile, so that nothing was shown"
  ensure
    page&.close
  end

  it "ends the work of a page that has gone, and nothing is changed" do
    job = crowd
    begin_packing(job).close
    sleep 1

    refute goes_on?(2)

    assert_equal job["revision"], server.get("/api/jobs/#{job["id"]}")["revision"]
  end

  it "says so when a worker is killed, and goes on with a new one" do
    job = crowd
    page = begin_packing(job)
    Process.kill(:KILL, busiest)
    answer = page.readpartial(4096)

    assert_match(%r{\AHTTP/1.1 500}, answer)
    assert_match(/this work was ended, most likely as it took too much memory; nothing of yours was changed/, answer)
    moved =
      server.post(
        "/api/jobs/#{job["id"]}/operations",
        JSON.generate(
          base_revision: job["revision"],
          name: "transform_islands",
          parameters: {
            islands: [0],
            move_px: [1, 0]
          }
        )
      )

    assert_operator moved["revision"], :>, job["revision"]
  ensure
    page&.close
  end

  it "starts workers anew where the process that forks them was killed too" do
    server.get("/api/jobs")
    nursery = server.family.find { |pid| server.family(pid).any? }
    Process.kill(:KILL, nursery)
    server.family.each do |pid|
      Process.kill(:KILL, pid)
    rescue StandardError
      nil
    end

    assert_kind_of Array, wait_until { server.get("/api/jobs")["jobs"] }
  end

  it "tells all open pages of a change, and how far work is, over a stream each that holds up nobody" do
    job = crowd
    pages = Array.new(60) { open_page }
    heard = pages.to_h { |page| [page, +""] }
    hear =
      lambda do |text|
        wait_until do
          heard.each { |page, said| said << page.read_nonblock(65_536, exception: false).to_s }
          heard.values.all? { |said| said.match?(text) }
        end
      end
    hear.call(/: open/)
    work = begin_packing(job)
    hear.call(/event: progress\ndata: {"work":"w1","share":0\.\d+}/)
    work.close
    moved = { islands: [0], move_px: [1, 0] }
    server.post(
      "/api/jobs/#{job["id"]}/operations",
      JSON.generate(base_revision: job["revision"], name: "transform_islands", parameters: moved)
    )
    hear.call(/event: revision\ndata: {"job":"#{job["id"]}","revision":\d+}/)
  ensure
    pages&.each(&:close)
  end

  it "takes large bodies and gives compressed answers" do
    job = server.upload("wavy.obj" => Bench::Surfaces.wavy_obj(90))

    assert_equal 16_200, job.dig("counts", "triangles"), job.inspect
    answer = Net::HTTP.get_response(URI(server.url("/api/jobs/#{job["id"]}")), "accept-encoding" => "gzip")

    assert_equal "gzip", answer["content-encoding"]
    assert_equal job["id"], JSON.parse(Zlib.gunzip(answer.body))["id"]
  end

  # A job with a sheet that takes a second or two to compose.
  def painted
    shades = { kind: "gradient", color: "#205080", to: "#f0e0a0" }
    on_island = { kind: "island", island: 0, width_mm: 50 }
    job = resized(server.post("/api/solids", JSON.generate(kind: "box", measures: {})), 2100)
    [
      { content: { **shades, turn_deg: 30 } },
      { content: { kind: "lettering", text: "Quillhaven" }, place: on_island },
      { content: { **shades, round: true }, opacity: 0.4 }
    ].reduce(job) { |now, layer| changed(now, "add_layer", layer) }
  end

  def resized(job, side_px) = changed(job, "resize_sheet", { width_px: side_px, height_px: side_px })

  def changed(job, name, parameters)
    body = { base_revision: job["revision"], name: name, parameters: parameters }
    server.post("/api/jobs/#{job["id"]}/operations", JSON.generate(body))
  end

  # How many of the server's processes compute while the block is at work, for more than so many 1/100 s.
  def at_work(beyond)
    before = ticks
    yield
    ticks.count { |pid, now| now - before.fetch(pid, 0) > beyond }
  end

  def fetch(job, file) = Net::HTTP.get(URI(server.url("/api/jobs/#{job["id"]}/#{file}")))

  it "has a large sheet composed by two workers, as one would; both end where the page has gone" do
    skip "on one processor nobody helps" if Etc.nprocessors == 1

    job = painted
    zip = nil
    busy = at_work(15) { zip = fetch(job, "deliver.zip?format=none") }
    texture = SheetTrace::Formats::Zip::Reader.call(zip, name: "d.zip").values.first
    own = SheetTrace::Job::Archive.open(fetch(job, "job.zip"), file: "j.zip").snapshot.job
    alone = SheetTrace::Job::Deliver.call(own, pictures: nil, format: "none").values.first

    assert_equal 2, busy
    assert same_pixels?(Vips::Image.new_from_buffer(alone, ""), texture)

    resized(job, 8192)
    page = TCPSocket.new("127.0.0.1", server.port)
    page.write("GET /api/jobs/#{job["id"]}/deliver.zip?format=none HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
    wait_until { at_work(2) { sleep 1 } >= 2 }
    page.close
    wait_until { at_work(2) { sleep 1 }.zero? }
  end

  it "gives up on a picture that takes too long to draw, in words, and goes on" do
    Dir.mktmpdir do |folder|
      impatient = RunningServer.new(File.join(folder, "jobs.sqlite"), { "SHEET_TRACE_UPLOAD_S" => "4" })
      job = impatient.post("/api/solids", JSON.generate(kind: "box", measures: {}))
      header = { "x-file-name" => "slow.svg", "content-type" => "application/octet-stream" }
      answer =
        Net::HTTP.start("127.0.0.1", impatient.port, read_timeout: 60) do |http|
          http.post("/api/jobs/#{job["id"]}/pictures", Stress::CostlyFiles.svg, header)
        end

      assert_equal %w[422 too_slow], [answer.code, JSON.parse(answer.body).dig("error", "code")]
      assert_equal job["revision"], impatient.get("/api/jobs/#{job["id"]}")["revision"]
    ensure
      impatient&.kill
    end
  end
end
