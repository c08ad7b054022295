# frozen_string_literal: true

module SheetTrace
  class Job
    # The finished files: the composed sheet as PNG, and the model as OBJ + MTL that refer to it.
    module Deliver
      # @param job [Job]
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @param size [Layout::Sheet] of the PNG
      # @param base_name [String] of all three files
      # @return [Hash{String => String}] file name => bytes
      def self.call(job, pictures:, size: job.sheet, base_name: Deliver.base_name(job.source_name))
        sheet = Artwork::Compose.call(job.edition, job.canvas(pictures: pictures, size: size))
        picture = "#{base_name}.png"
        mesh = job.mesh.with(materials: job.mesh.materials.map { |material| Mesh::Material.new(name: material.name, image: picture) })
        model = Formats::Model.of_layout(job.layout, mesh: mesh, images: { picture => Formats::Png::Writer.call(sheet) })
        Formats::Obj::Writer.call(model, base_name: base_name).files
      end

      # A name that every file system and OBJ reader takes: letters, digits, hyphens and underscores.
      #
      # @param name [String] any
      # @return [String]
      def self.base_name(name)
        plain = File.basename(name, ".*").unicode_normalize(:nfkd).gsub(/[^A-Za-z0-9_-]+/, "-").gsub(/\A-+|-+\z/, "").downcase
        plain.empty? ? "model" : plain[0, 60]
      end
    end
  end
end
