# frozen_string_literal: true

require_relative "server_test_case"
require "open3"

describe "a store that is damaged, full or not ours" do
  include ServerTestCase

  def path = File.join(@folder, "jobs.sqlite")

  def refused(message)
    error = assert_raises(SheetTraceServer::Store::Unusable) { SheetTraceServer::Store::Database.open(path) }

    assert_match message, error.message
  end

  # The blob that a revision's document names as its surface.
  def surface_of(revision)
    document = @database[:revisions].where(id: revision).get(:document)
    JSON.parse(document)["parts"]["layout"]["surface"]
  end

  it "is refused in one sentence where it was written by a newer program, or is no database" do
    @database[:schema_info].update(version: 99)
    @database.disconnect
    refused(/written by a newer Sheet Trace; start that one/)
    File.binwrite(path, "no database at all" * 500)
    %w[-wal -shm].each { |ending| FileUtils.rm_f(path + ending) }
    refused(/damaged or no database; put a backup/)
    FileUtils.rm_f(path)
    FileUtils.mkdir_p(path)
    refused(/can't be opened/)
  end

  it "stops the start of the server with that sentence, and without a trace of calls" do
    @database.disconnect
    File.binwrite(path, "no database at all" * 500)
    said, status =
      Open3.capture2e(
        { "SHEET_TRACE_DATABASE" => path, "SHEET_TRACE_PORT" => "0" },
        RbConfig.ruby,
        File.expand_path("../../server/start.rb", __dir__)
      )

    refute_predicate status, :success?
    assert_includes said, "sheet-trace: #{path}: the file of the jobs is damaged"
    refute_match(/\.rb:\d+:in/, said)
  end

  it "says that it is full, changes nothing, and can still be read and emptied" do
    job = start_job
    @database.synchronize { |connection| connection.execute("PRAGMA max_page_count = 1") } # no page more than now
    upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-front.png"], "front.png")

    assert_failure 507, "full", /disk is full .* nothing was kept; make room/
    assert_empty ask(:get, "/api/jobs/#{job[:id]}")[:pictures]
    ask(:delete, "/api/jobs/#{job[:id]}")

    assert_equal 204, last_response.status
    assert_equal 0, @database[:blobs].count
  end

  it "says that it may not be written to" do
    job = start_job
    @database.synchronize { |connection| connection.execute("PRAGMA query_only = ON") }
    change(job, "transform_islands", islands: [0], move_px: [1, 0])

    assert_failure 507, "read_only", /can't be written to/
  end

  it "shows a job whose last state is damaged as it was before, and lets nobody change it" do
    job = start_job
    change(job, "transform_islands", islands: [0], move_px: [7, 0])
    flat = change(ask(:get, "/api/jobs/#{job[:id]}"), "lay_flat")
    bytes = @database[:blobs].where(digest: surface_of(flat[:revision])).get(:bytes)
    @database[:blobs].where(digest: surface_of(flat[:revision])).update(bytes: Sequel.blob(bytes.reverse))
    restart
    seen = ask(:get, "/api/jobs/#{job[:id]}")

    assert_equal 200, last_response.status
    assert_match(
      /damaged in the store\. It is shown as it was after "Front: moved 7 px right", and can't be/,
      seen[:damage]
    )
    assert_equal job[:revision] + 1, seen[:revision]
    change(seen, "transform_islands", islands: [0], move_px: [1, 0])

    assert_failure 422, "damaged", /can't be changed/
    ask(:get, "/api/jobs/#{job[:id]}/preflight?revision=#{seen[:revision]}")

    assert_equal 200, last_response.status
  end

  it "names the damage where no state is whole, and lets other jobs be" do
    job = start_job
    other = start_job
    change(other, "lay_flat")
    @database[:blobs].where(digest: surface_of(job[:revision])).delete
    restart
    ask(:get, "/api/jobs/#{job[:id]}")

    assert_failure 422, "damaged", /a part of this job is missing in the store/
    ask(:get, "/api/jobs/#{other[:id]}")

    assert_equal 200, last_response.status
  end

  it "notices a picture that was changed in the store" do
    job = start_job
    picture = upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-front.png"], "front.png")
    digest = picture[:pictures][0][:digest]
    @database[:blobs].where(digest: digest).update(bytes: Sequel.blob(Demo::TeaCaddy.pictures["caddy-side.png"]))
    ask(:get, "/api/jobs/#{job[:id]}/pictures/#{digest}")

    assert_failure 422, "damaged", /damaged in the store/
  end

  it "holds room back, and lends it to what must go on a full disk" do
    reserve = SheetTraceServer::Store::Reserve.new(path)
    tries = 0
    reserve.lent do
      tries += 1
      raise SheetTraceServer::Store::Unusable, :full if File.exist?("#{path}-reserve")
    end

    assert_equal 2, tries
    assert_path_exists "#{path}-reserve"
    assert_raises(SheetTraceServer::Store::Unusable) do
      reserve.lent { raise SheetTraceServer::Store::Unusable, :read_only }
    end
  end
end
