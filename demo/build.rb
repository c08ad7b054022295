# frozen_string_literal: true

require "fileutils"
require_relative "lantern_shade"
require_relative "tea_caddy"
require_relative "parade_drum"
require_relative "skiff"
require_relative "heron"
require_relative "kiosk"

# Builds the sample jobs from nothing, through the core alone.
module Demo
  # name [String]; job [SheetTrace::Job]; pictures [Hash{String => String}] file name => bytes
  Sample = Struct.new(:name, :job, :pictures, keyword_init: true)

  # @return [Sample]
  def self.tea_caddy
    reading = SheetTrace::Formats.read(TeaCaddy.obj, name: "tea-caddy.obj")
    job = SheetTrace::Job.start(reading, source_name: "tea-caddy.obj")
    job = job.with(edition: job.edition.with(name: "Pine"))
    pictures = TeaCaddy.pictures
    TeaCaddy.labels.each do |island, file|
      job = label(job, job.island_names.index(island), file, pictures.fetch(file))
    end
    Sample.new(name: "Tea caddy", job: job, pictures: pictures)
  end

  # @return [Sample] as received, with all its faults
  def self.lantern_shade
    reading = SheetTrace::Formats.read_files({ "lantern-shade.obj" => LanternShade.obj, "lantern-shade.mtl" => LanternShade.mtl })
    Sample.new(name: "Lantern shade, as received", job: SheetTrace::Job.start(reading, source_name: "lantern-shade.obj"), pictures: {})
  end

  # @return [Sample] with its wrap, which joins at the back
  def self.parade_drum
    job = SheetTrace::Job.start(SheetTrace::Solids.build("cylinder", ParadeDrum::MEASURES), source_name: "parade drum")
    pictures = ParadeDrum.pictures
    job = label(job, job.island_names.index("Around"), *pictures.first)
    Sample.new(name: "Parade drum", job: job.with(edition: job.edition.with(name: "Indigo")), pictures: pictures)
  end

  # @return [Sample] cut along keel, stem and rims and unfolded, both halves as mirror images; parked, which is kept beside, and then packed; its number
  #   on both sides, and the landmarks of a photo that lies under it
  def self.skiff = @skiff ||= made_skiff

  # @return [Sample] as its file has it, its template under the islands: to be found, matched and accepted
  def self.heron
    job = SheetTrace::Job.start(SheetTrace::Formats.read(Heron.obj, name: "heron.obj"), source_name: "heron.obj", sheet: SheetTrace::Layout::Sheet.new(width_px: 96, height_px: 64))
    pictures = Heron.pictures
    Sample.new(name: "Heron, to be fitted", job: underlay(job, *pictures.first), pictures: pictures)
  end

  # @return [Sample] walls, roof and sign set into the atlas; the palette lies ready
  def self.kiosk
    reading = SheetTrace::Formats.read_files({ "harbour-kiosk.obj" => Kiosk.obj, "harbour-kiosk.mtl" => Kiosk.mtl })
    job = SheetTrace::Job.start(reading, source_name: "harbour-kiosk.obj", sheet: SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256))
    pictures = Kiosk.pictures
    pictures.reverse_each { |file, bytes| job = underlay(job, file, bytes) }
    names = Kiosk::CELLS.keys
    job = run(job, "set_cells", index: 1, cells: Kiosk::CELLS.map { |name, (x, y, width, height)| { name: name, x: x, y: y, width: width, height: height } })
    %w[planks shingles].each do |name|
      job = run(job, "set_into_cells", assignments: [{ material: job.mesh.material_names.index(name), cell: names.index(name), together: false }], inset_px: 2)
    end
    sign = job.mesh.face_parts.eq(job.mesh.parts.index("sign")).where[4]
    Sample.new(name: "Harbour kiosk", job: run(job, "set_into_cells", assignments: [{ faces: [sign], cell: names.index("sign"), way: "fill" }]), pictures: pictures)
  end

  # @return [Array<Sample>] the last one is shown first
  def self.samples = [kiosk, heron, skiff, parade_drum, lantern_shade, tea_caddy]

  # Unfolding takes longest of all, and what comes out never changes.
  def self.made_skiff
    job = SheetTrace::Job.start(SheetTrace::Formats.read(Skiff.obj, name: "skiff.obj"), source_name: "skiff.obj")
    parts = job.mesh.parts.each_index.map { |part| job.mesh.face_parts.eq(part).where.to_a }
    rims = parts.flat_map { |faces| SheetTrace::Pick.call(job, way: "rim", kind: "edges", faces: faces) }
    job = run(job, "start_seams", from: "none")
    job = run(job, "mark_seams", edges: (rims + Skiff.keel(job.mesh)).uniq)
    job = run(job, "lay_flat", by: "unfold", mirrored: true)
    pieces = (0...job.layout.uv_map.island_count).to_a
    job = run(run(job, "park_islands", islands: pieces, corner: "bottom_left", share: 0.04), "keep_map", name: "Parked pieces")
    job = run(run(job, "tag_islands", islands: pieces, tag: "art"), "turn_upright", islands: pieces)
    job = run(job, "pack", turn: "none", in_order: true)
    pictures = Skiff.pictures
    %w[Left Right].each { |side| job = label(job, job.island_names.index("hull #{side}"), *pictures.first, width_mm: 40) }
    job = landmarks(run(underlay(job, Skiff::PHOTO, pictures.fetch(Skiff::PHOTO)), "show_underlay", index: 0, how: "keep_scale"))
    Sample.new(name: "Racing skiff", job: job.with(edition: job.edition.with(name: "Harbour blue")), pictures: pictures)
  end

  def self.run(job, name, **parameters) = SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job).job

  def self.label(job, island, file, bytes, width_mm: nil)
    seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)
    run(job, "add_label", id: "label-#{island}", picture: SheetTrace::Job::Snapshot.digest(bytes), picture_px: seen.values_at(:width_px, :height_px),
                          name: File.basename(file, ".png"), island: island, width_mm: width_mm)
  end

  def self.underlay(job, file, bytes)
    seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)
    run(job, "add_underlay", picture: SheetTrace::Job::Snapshot.digest(bytes), picture_px: seen.values_at(:width_px, :height_px), name: file)
  end

  # Where the photo shows places of the skiff, on the sheet that it lies over.
  def self.landmarks(job)
    island = job.island_names.index("hull Right")
    map = job.layout.uv_map
    to_sheet = job.backdrop.underlay.to_sheet(job.sheet)
    marks = Skiff.landmarks.map do |place, px|
      vertex = (job.mesh.positions - Numo::DFloat[place]).abs.max(axis: 1).min_index
      { point: map.island_points[island].to_a.find { |point| map.point_vertices[point] == vertex }, to_px: to_sheet.at(*px) }
    end
    run(job, "set_landmarks", landmarks: marks)
  end
  private_class_method :made_skiff, :run, :label, :underlay, :landmarks

  # Writes the samples' models and pictures, to be brought in by hand.
  #
  # @param folder [String]
  def self.write_files(folder)
    FileUtils.mkdir_p(folder)
    { "tea-caddy.obj" => TeaCaddy.obj, "lantern-shade.obj" => LanternShade.obj, "lantern-shade.mtl" => LanternShade.mtl, "skiff.obj" => Skiff.obj, "heron.obj" => Heron.obj,
      "harbour-kiosk.obj" => Kiosk.obj, "harbour-kiosk.mtl" => Kiosk.mtl, **TeaCaddy.pictures, **Skiff.pictures, **Heron.pictures, **Kiosk.pictures }.each do |name, bytes|
      File.binwrite(File.join(folder, name), bytes)
    end
  end
end
