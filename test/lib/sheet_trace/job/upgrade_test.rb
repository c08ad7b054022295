# frozen_string_literal: true

require_relative "../../../test_helper"
require "sequel"
require "zlib"

describe SheetTrace::Job::Upgrade do
  # Jobs as the program kept them before documents had parts: the samples of that time, and one with something in
  # every part.
  database = Sequel.sqlite(File.join(SheetTraceTest::DATA, "jobs", "version_2.sqlite"), readonly: true)
  blobs =
    lambda do |digest|
      row = database[:blobs].first(digest: digest)
      row[:deflated] ? Zlib.inflate(row[:bytes]) : String.new(row[:bytes])
    end
  open =
    lambda do |name|
      row = database[:revisions].first(id: database[:jobs].first(name: name)[:revision_id])
      SheetTrace::Job::Snapshot.load(JSON.parse(row[:document], symbolize_names: true), blobs).job
    end

  it "opens all jobs of version 2, and keeps them as version 6 with the same content" do
    database[:jobs]
      .select_map(:name)
      .each do |name|
        job = open.call(name)
        dumped = SheetTrace::Job::Snapshot.dump(job)
        again =
          SheetTrace::Job::Snapshot.load(
            JSON.parse(JSON.generate(dumped.document), symbolize_names: true),
            dumped.blobs.method(:fetch)
          ).job

        assert_equal 6, dumped.document[:version]
        assert_equal job.layout.points_px, again.layout.points_px, name
        assert_equal job.artwork, again.artwork, name
      end
  end

  it "keeps what was said in every part" do
    job = open.call("Caddy with everything")

    assert_equal [{ 0 => "Shop window" }, { 5 => "plain" }, 5, { 4 => 2.0 }, [1], 3],
                 [job.given_names, job.given_tags, job.gutter_px, job.plan.weights, job.plan.locked, job.plan.margin_px]
    assert_equal [["First"], [0, 3]],
                 [
                   job.kept_maps.map(&:name),
                   (job.drawn_seams ^ SheetTrace::Flatten::Seams.of_map(job.layout.uv_map)).where.to_a | [0, 3]
                 ]
    assert_equal [1, 1, 2], [job.fit_setup.cells.size, job.fit_setup.landmarks.size, job.fit_setup.inset_px]
    assert_equal %w[Pine], job.artwork.editions.map(&:name)
    assert_equal %w[Wash caddy-front caddy-side caddy-side caddy-lid], job.artwork.layers.map(&:name)
    wash = job.artwork.layers.first

    assert_equal [SheetTrace::Artwork::Places::OnSheet.new, [0], 0.4, [500, 1200]],
                 [wash.place, wash.look.mask.materials, wash.look.opacity, wash.content.picture.size_px]
    assert_equal [0, 80.0], job.artwork.layers[1].place.then { |place| [place.island, place.width_mm] }
  end

  # SHA-256 of the composed sheets, 8-bit RGBA in rows, as the program of that time made them; labels there lie on
  # whole pixels. In Caddy with everything 83 texels of the gutter that are as near to one island as to another bleed
  # from the other one since.
  [
    "Caddy with everything",
    "Tea caddy",
    "Harbour kiosk",
    "Heron, to be fitted",
    "Lantern shade, as received"
  ].each do |name|
    it "composes #{name} to the byte as before" do
      job = open.call(name)
      image = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: blobs))
      known = JSON.parse(data("jobs/version_2.json")).fetch(name)

      assert_equal known["sheet"], Digest::SHA256.hexdigest(image.write_to_memory)
      assert_equal known["findings"], job.findings.map { |finding| [finding.code, finding.message] }
    end
  end

  it "refuses a newer document in words, and one that is none" do
    assert_refused(
      SheetTrace::UnsupportedFeatureError,
      { version: 9 },
      message: /saved by a newer Sheet Trace \(document 9; up to 6 is read\)/
    ) { SheetTrace::Job::Snapshot.load({ version: 9, parts: {} }, blobs) }
    [nil, "3", 0, 1].each do |version|
      assert_refused(SheetTrace::FormatError, { version: version }, message: /2 to 6 are read/) do
        SheetTrace::Job::Snapshot.load({ version: version }, blobs)
      end
    end
    assert_refused(SheetTrace::FormatError, { part: :source }, message: /lacks its source/) do
      SheetTrace::Job::Snapshot.load({ version: 5, parts: {} }, blobs)
    end
  end

  it "opens a document of version 5, which had no groups, no mask, no fonts and no linear light" do
    job = operate(Models.job(Models.panel), "add_layer", content: { kind: "fill", color: "#204060" }).job
    dumped = SheetTrace::Job::Snapshot.dump(job)
    parts = dumped.document[:parts].except(:mask, :fonts)
    art = parts[:artwork].except(:groups, :linear)
    art = { **art, layers: art[:layers].map { |layer| layer.except(:group) } }
    plain = JSON.parse(JSON.generate({ version: 5, parts: { **parts, artwork: art } }), symbolize_names: true)

    assert_equal job.artwork, SheetTrace::Job::Snapshot.load(plain, dumped.blobs.method(:fetch)).job.artwork
  end

  it "opens a document of version 4, which had no relief and kept no exports" do
    dumped = SheetTrace::Job::Snapshot.dump(Models.job(Models.panel))
    parts = dumped.document[:parts].except(:relief, :exported)
    plain = JSON.parse(JSON.generate({ version: 4, parts: parts }), symbolize_names: true)
    job = SheetTrace::Job::Snapshot.load(plain, dumped.blobs.method(:fetch)).job

    assert_nil job.relief
    assert_empty job.exported
  end
end
