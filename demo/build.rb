# frozen_string_literal: true

require "fileutils"
require_relative "lantern_shade"
require_relative "tea_caddy"
require_relative "parade_drum"

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

  # @return [Array<Sample>] the last one is shown first
  def self.samples = [parade_drum, lantern_shade, tea_caddy]

  def self.label(job, island, file, bytes)
    seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)
    operation = SheetTrace::Operations.from_h("add_label", { id: "label-#{island}", picture: SheetTrace::Job::Snapshot.digest(bytes),
                                                             picture_px: seen.values_at(:width_px, :height_px),
                                                             name: File.basename(file, ".png"), island: island })
    SheetTrace::Operations.run(operation, job).job
  end
  private_class_method :label

  # Writes the samples' models and pictures, to be brought in by hand.
  #
  # @param folder [String]
  def self.write_files(folder)
    FileUtils.mkdir_p(folder)
    { "tea-caddy.obj" => TeaCaddy.obj, "lantern-shade.obj" => LanternShade.obj, "lantern-shade.mtl" => LanternShade.mtl, **TeaCaddy.pictures }.each do |name, bytes|
      File.binwrite(File.join(folder, name), bytes)
    end
  end
end
