# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../demo/build"

describe Demo do
  it "makes every sample from nothing, its pictures on its model" do
    Demo.samples.each do |sample|
      job = sample.job
      by_digest = sample.pictures.values.to_h { |bytes| [SheetTrace::Job::Snapshot.digest(bytes), bytes] }
      size = SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256)
      image = SheetTrace::Artwork::Compose.call(job.edition, job.canvas(pictures: by_digest.method(:fetch), size: size))

      assert_equal sample.pictures.empty?, image.extract_band(3).max.zero?, sample.name
    end
  end

  it "has a shade with the faults that its report shall find, and a caddy and a drum that are sound" do
    codes = Demo.samples.to_h { |sample| [sample.name, sample.job.findings.map(&:code)] }

    assert_equal %w[density faces_without_uvs gutter mirrored overlap stray_faces stretch], codes["Lantern shade, as received"].sort
    assert_equal %w[not_upright], codes["Tea caddy"]
    assert_empty codes["Parade drum"]
  end

  it "wraps the drum so that its ends meet at the back, to a hundredth of a millimetre" do
    job = Demo.parade_drum.job
    place = job.edition.layers[0].place

    assert_in_delta job.flat_map(place.island).size_mm[0], place.width_mm, 0.01
    assert_in_delta Demo::ParadeDrum::WRAP_MM, place.width_mm, 0.01
  end

  it "writes its files to be brought in by hand" do
    Dir.mktmpdir do |folder|
      Demo.write_files(folder)
      model = SheetTrace::Formats.read_files({ "lantern-shade.obj" => File.binread("#{folder}/lantern-shade.obj"),
                                               "lantern-shade.mtl" => File.binread("#{folder}/lantern-shade.mtl") })

      assert_equal %w[paper brass], model.mesh.material_names
    end
  end
end
