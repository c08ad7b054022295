# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Archive do
  archive = SheetTrace::Job::Archive
  writer = SheetTrace::Formats::Zip::Writer
  label = Vips::Image.black(16, 16).bandjoin([90, 40]).copy(interpretation: :srgb).cast(:uchar).write_to_buffer(".png")
  other = Vips::Image.black(8, 8).bandjoin([10, 200]).copy(interpretation: :srgb).cast(:uchar).write_to_buffer(".png")

  let(:job) do
    pictures = ->(name) do
      SheetTrace::Artwork::PictureFile.of_bytes(name == "other" ? other : label, name: "#{name}.png")
    end
    place = ->(own, name) do
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_h("place_picture", { picture: name, island: 0, width_mm: 20 }),
        own,
        pictures: pictures
      ).job
    end
    place.call(place.call(Models.job(Demo::TeaCaddy.obj), "label"), "other")
  end
  let(:files) do
    archive.files(
      job,
      name: "Quillhaven caddy",
      pictures: [["label.png", label], ["other.png", other]],
      model_files: {
        "tea-caddy.obj" => Demo::TeaCaddy.obj
      },
      steps: [{ name: "set_unit", parameters: { unit_mm: 1 } }]
    )
  end

  def composed(job, *pictures)
    bytes = pictures.to_h { |own| [SheetTrace::Job::Snapshot.digest(own), own] }
    canvas = job.canvas(pictures: bytes.method(:fetch), size: job.sheet)
    SheetTrace::Artwork::Compose.pixels(job.artwork, canvas)
  end

  it "keeps all of a job: it opens as it was, to the texel" do
    bytes = writer.call(files)

    assert archive.archive?(bytes)
    opened = archive.open(bytes, file: "caddy-job.zip")

    assert_equal ["Quillhaven caddy", [], [["label.png", label], ["other.png", other]]],
                 opened.to_h.values_at(:name, :notes, :pictures)
    assert_equal SheetTrace::Job::Snapshot.dump(job).document, opened.snapshot.document
    assert_equal [{ name: "set_unit", parameters: { unit_mm: 1 } }], opened.steps
    assert_predicate composed(job, label, other).eq(composed(opened.snapshot.job, label, other)), :all?
  end

  it "opens one that is damaged as far as it goes, and says what was left out" do
    lacking = files.reject { |path, _bytes| path.end_with?("other.png") }
    opened = archive.open(writer.call(lacking), file: "caddy-job.zip")

    assert_equal ["other.png is missing, and what showed it was left out"], opened.notes
    assert_equal %w[label], opened.snapshot.job.artwork.layers.map(&:name)
    spoilt = files.to_h { |path, bytes| [path, path.start_with?("arrays/") ? bytes.b.reverse : bytes] }
    opened = archive.open(writer.call(spoilt), file: "caddy-job.zip")

    assert_match(/caddy-job.zip: the array \w{8} is damaged; it was started anew from its model/, opened.notes.first)
    assert_equal 6, opened.snapshot.job.layout.uv_map.island_count
  end

  it "refuses what is no job, newer ones, and one that holds nothing whole" do
    {
      files.merge("job.json" => "{") => /its job.json is damaged/,
      files.merge("job.json" => '{"kind": "x"}') => /is no job file/,
      files.merge("job.json" => files["job.json"].sub('"format": 1', '"format": 2')) => /saved by a newer version/,
      { "job.json" => files["job.json"] } => /is missing; .*which it does not hold/
    }.each do |own, why|
      error = assert_raises(SheetTrace::Error) { archive.open(writer.call(own), file: "caddy-job.zip") }

      assert_match why, error.message
    end
    refute archive.archive?(writer.call("model.obj" => Demo::TeaCaddy.obj))
    refute archive.archive?("solid")
  end
end
