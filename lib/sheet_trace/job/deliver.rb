# frozen_string_literal: true

module SheetTrace
  class Job
    # The finished files: the model that wears the composed sheet, with the sheet as PNG beside it or in it, as the
    # format has it.
    module Deliver
      # @param job [Job]
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @param size [Layout::Sheet] of the PNG
      # @param base_name [String] of all files
      # @param format [String] of Formats::WRITERS
      # @return [Hash{String => String}] file name => bytes
      # @raise [UnknownNameError] where: { name: }
      def self.call(job, pictures:, size: job.sheet, base_name: Deliver.base_name(job.source_name), format: "obj")
        writer = Formats::WRITERS.fetch(format)
        sheet = Artwork::Compose.call(job.artwork, job.canvas(pictures: pictures, size: size))
        picture = "#{base_name}.png"
        mesh =
          job.mesh.with(
            materials: job.mesh.materials.map { |material| Mesh::Material.new(name: material.name, image: picture) }
          )
        model =
          Formats::Model.of_layout(
            job.layout,
            mesh: mesh,
            unit_mm: job.unit_mm,
            images: {
              picture => Formats::Png::Writer.call(sheet, px_per_mm: job.true_density_px_per_mm(size))
            }
          )
        writer.call(model, base_name: base_name).files
      end

      # A name that every file system and OBJ reader takes: letters, digits, hyphens and underscores.
      #
      # @param name [String] any
      # @return [String]
      def self.base_name(name)
        plain = File.basename(name, ".*").unicode_normalize(:nfkd).gsub(/[^A-Za-z0-9_-]+/, "-").gsub(/\A-+|-+\z/, "")
        plain.empty? ? "model" : plain[0, 60]
      end
    end
  end
end
