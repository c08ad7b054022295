# frozen_string_literal: true

require "fileutils"
require_relative "tea_caddy"

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

  def self.label(job, island, file, bytes)
    seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)
    operation = SheetTrace::Operations.from_h("add_label", { id: "label-#{island}", picture: SheetTrace::Job::Snapshot.digest(bytes),
                                                             picture_px: seen.values_at(:width_px, :height_px),
                                                             name: File.basename(file, ".png"), island: island })
    SheetTrace::Operations.run(operation, job).job
  end
  private_class_method :label

  # Writes the sample's model and pictures, to be brought in by hand.
  #
  # @param folder [String]
  def self.write_files(folder)
    FileUtils.mkdir_p(folder)
    { "tea-caddy.obj" => TeaCaddy.obj, **TeaCaddy.pictures }.each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
  end
end
