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
    assert_empty codes["Racing skiff"]
  end

  it "wraps the drum so that its ends meet at the back, to a hundredth of a millimetre" do
    job = Demo.parade_drum.job
    place = job.edition.layers[0].place

    assert_in_delta job.flat_map(place.island).size_mm[0], place.width_mm, 0.01
    assert_in_delta Demo::ParadeDrum::WRAP_MM, place.width_mm, 0.01
  end

  it "unfolds the skiff's hull in two halves that are mirror images to 1e-6, hardly stretched" do
    job = Demo.skiff.job
    right, left = %w[Right Left].map { |side| job.island_names.index("hull #{side}") }
    map = job.layout.uv_map
    places = [right, left].map do |island|
      points = map.island_points[island]
      own = job.layout.points_px[points, true]
      own -= ((own.max(axis: 0) + own.min(axis: 0)) / 2).reshape(1, 2)
      map.point_vertices[points].to_a.zip(own.to_a).to_h
    end
    twins = job.mesh.symmetry.vertex_twins
    off = places[0].flat_map { |vertex, (x, y)| places[1][twins[vertex]].zip([-x, y]).map { |a, b| (a - b).abs } }

    assert_operator off.max, :<, 1e-6
    assert_operator job.measures[right].stretch_mean, :<, 1.005 # seen to be so, from the job itself
    assert_operator job.measures[left].stretch_worst, :<, 1.02 # the limit of art islands
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
