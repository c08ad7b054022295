# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../demo/build"

describe Demo do
  it "makes every sample from nothing, its pictures on its model" do
    Demo.samples.each do |sample|
      job = sample.job
      by_digest = sample.pictures.values.to_h { |bytes| [SheetTrace::Job::Snapshot.digest(bytes), bytes] }
      size = SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256)
      image = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: by_digest.method(:fetch), size: size))

      assert_equal job.artwork.layers.empty?, image.extract_band(3).max.zero?, sample.name
    end
  end

  it "has a shade with the faults that its report shall find, and a caddy and a drum that are sound" do
    codes = Demo.samples.to_h { |sample| [sample.name, sample.job.findings.map(&:code)] }

    assert_equal %w[density faces_without_uvs gutter mirrored overlap stray_faces stretch],
                 codes["Lantern shade, as received"].sort
    assert_equal %w[not_upright], codes["Tea caddy"]
    assert_empty codes["Parade drum"]
    assert_empty codes["Racing skiff"]
  end

  it "wraps the drum so that its ends meet at the back, to a hundredth of a millimetre" do
    job = Demo.parade_drum.job
    place = job.artwork.layers[0].place

    assert_in_delta job.flat_map(place.island).size_mm[0], place.width_mm, 0.01
    assert_in_delta Demo::ParadeDrum::WRAP_MM, place.width_mm, 0.01
  end

  it "unfolds the skiff's hull in two halves that are mirror images to 1e-6, hardly stretched" do
    job = Demo.skiff.job
    right, left = %w[Right Left].map { |side| job.island_names.index("hull #{side}") }
    map = job.layout.uv_map
    places =
      [right, left].map do |island|
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
      model =
        SheetTrace::Formats.read_files(
          {
            "lantern-shade.obj" => File.binread("#{folder}/lantern-shade.obj"),
            "lantern-shade.mtl" => File.binread("#{folder}/lantern-shade.mtl")
          }
        )

      assert_equal %w[paper brass], model.mesh.material_names
    end
  end

  it "fits the skiff's side onto its photo by six landmarks: within 1 px, nothing turned over, stretch told" do
    job = Demo.skiff.job
    island = job.island_names.index("hull Right")
    fitted =
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_h("fit_landmarks", { islands: [island], kind: "soft" }),
        job
      )

    assert_equal 6, fitted.job.fit_setup.landmarks.size
    assert_operator SheetTrace::Fit::FitLandmarks.residuals(fitted.job.layout, fitted.job.fit_setup.landmarks).max,
                    :<,
                    1
    refute_match(/turned over/, fitted.sentence)
    assert_match(/mean stretch 1\.\d+ -> \d\.\d+/, fitted.sentence)
  end

  it "has a kiosk whose walls lie in the planks, and whose materials go to the palette" do
    job = Demo.kiosk.job
    walls = job.mesh.face_materials.eq(job.mesh.material_names.index("planks")).where.to_a
    homes =
      walls.map do |face|
        SheetTrace::Fit::IntoCell.home(job.layout, job.layout.uv_map.face_islands[face], job.fit_setup.underlay)&.name
      end

    assert_equal ["planks"], homes.uniq
    pixels =
      SheetTrace::Artwork::Picture.pixels(
        SheetTrace::Artwork::Picture.read(Demo.kiosk.pictures.fetch("harbour-palette.png"))
      )
    cells = SheetTrace::Fit::FindCells.call(pixels)

    assert_equal [16, "down"], [cells.size, cells.find { |cell| cell.name == "D4" }.shade]
    job = operate(operate(job, "show_underlay", index: 0).job, "set_cells", index: 0, cells: cells.map(&:to_h)).job

    assert_equal ["harbour-palette"], operate(job, "map_palette", collapse: true).job.mesh.material_names
  end
end
