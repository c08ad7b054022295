# frozen_string_literal: true

require "fileutils"
require_relative "lantern_shade"
require_relative "tea_caddy"
require_relative "parade_drum"
require_relative "skiff"
require_relative "heron"

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
  #   on both sides
  def self.skiff
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
    Sample.new(name: "Racing skiff", job: job.with(edition: job.edition.with(name: "Harbour blue")), pictures: pictures)
  end

  # @return [Array<Sample>] the last one is shown first
  def self.samples = [skiff, parade_drum, lantern_shade, tea_caddy]

  def self.run(job, name, **parameters) = SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job).job

  def self.label(job, island, file, bytes, width_mm: nil)
    seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)
    run(job, "add_label", id: "label-#{island}", picture: SheetTrace::Job::Snapshot.digest(bytes), picture_px: seen.values_at(:width_px, :height_px),
                          name: File.basename(file, ".png"), island: island, width_mm: width_mm)
  end
  private_class_method :run, :label

  # Writes the samples' models and pictures, to be brought in by hand.
  #
  # @param folder [String]
  def self.write_files(folder)
    FileUtils.mkdir_p(folder)
    { "tea-caddy.obj" => TeaCaddy.obj, "lantern-shade.obj" => LanternShade.obj, "lantern-shade.mtl" => LanternShade.mtl, "skiff.obj" => Skiff.obj, **TeaCaddy.pictures,
      **Skiff.pictures }.each do |name, bytes|
      File.binwrite(File.join(folder, name), bytes)
    end
  end
end
