# frozen_string_literal: true

require_relative "server_test_case"
require_relative "../running_server"
require_relative "../../demo/plain_painter"

describe "an exchange folder that is watched" do
  def self.server = @server ||= RunningServer.for_tests

  def server = self.class.server
  def job(id) = server.get("/api/jobs/#{id}")
  def operate(id, name, **parameters)
    server.post(
      "/api/jobs/#{id}/operations",
      JSON.generate(base_revision: job(id)["revision"], name: name, parameters: parameters)
    )
  end

  # A job with its folder, and the template written into it.
  def started
    id = server.upload("tea-caddy.obj" => Demo::TeaCaddy.obj)["id"]
    folder = server.post("/api/jobs/#{id}/exchange", "{}")["folder"]
    operate(id, "note_export", width_px: 512, height_px: 512, format: "png", at: "2026-11-27T10:00:00Z")
    server.post("/api/jobs/#{id}/trace.png?width_px=512&height_px=512&edges=outline&background=white", "{}")
    [id, folder, Dir[File.join(folder, "*.png")].first]
  end

  # What comes of a file, once something has.
  def came(id, path, after: "")
    100.times do
      file = server.get("/api/jobs/#{id}/exchange")["files"].find { |own| own["path"] == path }
      return file if file && file["state"] != "given" && file["came_at"] >= after

      sleep 0.05
    end

    flunk "nothing came of #{path}"
  end

  it "shows what a plain program saved over the template, where it was painted, though islands moved since" do
    id, _folder, template = started
    front = job(id)["islands"].find { |island| island["name"] == "Front" }
    middle = [0, 1].map { |axis| ((front["box_px"][axis] + front["box_px"][axis + 2]) / 4).round }

    assert_empty job(id)["artwork"]["layers"], "what we write ourselves is not taken"
    operate(id, "transform_islands", islands: [front["index"]], turn_deg: 90, move_px: [3, 5])
    painted =
      Demo::PlainPainter.call(File.binread(template), [[*middle, "#aa3355"], [middle[0] - 20, middle[1], "Tea"]])
    saved = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    File.binwrite(template, painted)
    file = came(id, File.basename(template))
    seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - saved
    layer = job(id)["artwork"]["layers"].last

    assert_equal %w[taken model], [file["state"], layer["place"]["kind"]], file["message"]
    assert_operator seconds, :<, 5
    sheet =
      Vips::Image.new_from_buffer(
        Net::HTTP.get(URI(server.url("/api/jobs/#{id}/trace.png?width_px=1024&height_px=1024&ground=art&preview=1"))),
        ""
      )
    now = job(id)["islands"].find { |island| island["name"] == "Front" }["box_px"]
    # A quarter from a corner, where no words are.
    spot = [0, 1].map { |axis| (now[axis] + ((now[axis + 2] - now[axis]) * 0.2)).round }

    [0xaa, 0x33, 0x55].zip(sheet.getpoint(*spot)) { |wanted, got| assert_in_delta wanted, got, 3 }
  end

  it "loses nothing where the server is killed while files are saved, and takes what was saved meanwhile" do
    id, folder, = started
    pictures =
      [10, 200].map do |grey|
        Vips::Image.black(64, 64, bands: 3).linear(1, grey).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
      end
    File.binwrite(File.join(folder, "skin.png"), pictures[0])
    sleep 0.15
    server.kill
    File.binwrite(File.join(folder, "skin.png"), pictures[1])
    server.start
    last = Digest::SHA256.hexdigest(pictures[1])
    200.times do
      break if job(id)["artwork"]["layers"].first&.dig("content", "picture", "digest") == last || !sleep(0.05)
    end

    assert_equal [last], job(id)["artwork"]["layers"].map { |layer| layer["content"]["picture"]["digest"] }
    assert_nil job(id)["damage"]
  end

  it "waits for a file that is half written, and takes sub-folders for editions and drawings as they are" do
    id, folder, = started
    skin = Vips::Image.perlin(256, 256, uchar: true).bandjoin([90, 120]).copy(interpretation: :srgb).pngsave_buffer
    path = File.join(folder, "skin.png")
    File.open(path, "wb") do |file|
      file.write(skin[0, skin.bytesize / 2])
      file.flush
      sleep 0.8
      file.write(skin[(skin.bytesize / 2)..])
    end

    assert_equal "taken", came(id, "skin.png")["state"]
    FileUtils.mkdir_p(File.join(folder, "Plum"))
    File.binwrite(
      File.join(folder, "Plum", "skin.png"),
      Vips::Image.black(64, 64, bands: 3).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    )
    came(id, "Plum/skin.png")
    File.write(
      File.join(folder, "lines.svg"),
      '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><circle cx="4" cy="4" r="3"/></svg>'
    )
    came(id, "lines.svg")
    art = job(id)["artwork"]

    # Saved again and again, the last one stays.
    operate(id, "show_edition", edition: 0)
    50.times do |i|
      File.binwrite(
        path,
        Vips::Image.black(64, 64, bands: 3).linear(1, i * 5).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
      ) || sleep(0.05)
    end
    last = Digest::SHA256.file(path).hexdigest
    100.times { break if job(id)["artwork"]["layers"][0]["content"]["picture"]["digest"] == last || !sleep(0.05) }

    assert_equal last, job(id)["artwork"]["layers"][0]["content"]["picture"]["digest"]

    assert_equal ["First edition", "Plum"], art["editions"]
    assert_equal %w[skin lines], art["layers"].map { |layer| layer["name"] }
    assert art["layers"].last["content"]["picture"]["drawing"]
  end
end

describe "files of an exchange folder" do
  include ServerTestCase

  define_method(:saved) do |folder, path, last_try: true|
    ask(:post, "/api/exchange/files", { folder: File.basename(folder), path: path, last_try: last_try })
    last_response.status
  end

  it "keeps the last good one where a file is broken, and says what is wrong with it" do
    job = start_job
    folder = ask(:post, "/api/jobs/#{job[:id]}/exchange", {})[:folder]
    good = Vips::Image.black(64, 64, bands: 3).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    File.binwrite(File.join(folder, "skin.png"), good)

    assert_equal 204, saved(folder, "skin.png")
    before = ask(:get, "/api/jobs/#{job[:id]}")[:artwork][:layers]
    File.binwrite(File.join(folder, "skin.png"), good[0, 60])

    assert_equal [425, 204], [saved(folder, "skin.png", last_try: false), saved(folder, "skin.png")]
    file = ask(:get, "/api/jobs/#{job[:id]}/exchange")[:files].first

    assert_equal "broken", file[:state]
    assert_match(/skin.png (is cut off|can't be read)/, file[:message])
    assert_equal before, ask(:get, "/api/jobs/#{job[:id]}")[:artwork][:layers]
    File.binwrite(File.join(folder, "odd.png"), Vips::Image.black(64, 20).cast(:uchar).pngsave_buffer)
    saved(folder, "odd.png")

    assert_match(/not the proportions/, ask(:get, "/api/jobs/#{job[:id]}/exchange")[:files].first[:message])
  end

  it "takes no file that leads out of the folder, is too large, or came with too many others" do
    job = start_job
    folder = ask(:post, "/api/jobs/#{job[:id]}/exchange", {})[:folder]
    File.binwrite(File.join(@folder, "secret.png"), Vips::Image.black(64, 64).cast(:uchar).pngsave_buffer)
    File.symlink(File.join(@folder, "secret.png"), File.join(folder, "link.png"))
    File.open(File.join(folder, "huge.png"), "wb") { |file| file.truncate(300 * 1_048_576) }
    saved(folder, "link.png")
    saved(folder, "huge.png")
    ask(:post, "/api/exchange/files", { folder: File.basename(folder), path: "heap.png", too_many: true })
    files = ask(:get, "/api/jobs/#{job[:id]}/exchange")[:files].to_h { |own| own.values_at(:path, :message) }

    assert_match(/leads out of the folder/, files["link.png"])
    assert_match(/300 MB; up to 200 MB/, files["huge.png"])
    assert_match(/too many files/, files["heap.png"])
    assert_empty ask(:get, "/api/jobs/#{job[:id]}")[:artwork][:layers]
    FileUtils.remove_entry(folder)

    assert ask(:get, "/api/jobs/#{job[:id]}/exchange")[:gone]
    refute ask(:post, "/api/jobs/#{job[:id]}/exchange", {})[:gone]
  end

  it "looks at pictures of open folders alone" do
    job = start_job
    folder = ask(:post, "/api/jobs/#{job[:id]}/exchange", {})[:folder]

    %w[../jobs.sqlite ../../etc/x.png a/b/c.png .hidden.png notes.txt skin.png.part].each do |path|
      assert_equal 404, saved(folder, path), path
    end

    assert_equal 204, saved("none", "skin.png")
    assert_equal 204, saved(folder, "gone.png")
    assert_nil ask(:delete, "/api/jobs/#{job[:id]}/exchange")[:folder]
    assert_path_exists folder
    ask(:post, "/api/jobs/#{job[:id]}/trace.png")

    assert_match(/no exchange folder/, json[:error][:message])
  end
end
