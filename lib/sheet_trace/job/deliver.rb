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
        canvas = job.canvas(pictures: pictures, size: size)
        sheet = Artwork::Compose.call(job.artwork, canvas)
        alpha = alpha(sheet, canvas)
        picture = "#{base_name}.png"
        mesh =
          job.mesh.with(
            materials: job.mesh.materials.map { |material| Mesh::Material.new(name: material.name, image: picture) }
          )
        px_per_mm = job.true_density_px_per_mm(size)
        reliefs = reliefs(job, sheet, size, base_name)
        model =
          Formats::Model.of_layout(
            job.layout,
            mesh: mesh,
            unit_mm: job.unit_mm,
            alphas: { picture => alpha }.compact,
            reliefs: reliefs.any? ? { picture => reliefs.transform_values(&:first) } : {},
            images: {
              picture => Formats::Png::Writer.call(sheet, px_per_mm: px_per_mm),
              **reliefs.values.to_h.transform_values { |image| Formats::Png::Writer.call(image, px_per_mm: px_per_mm) }
            }
          )
        writer.call(model, base_name: base_name).files
      end

      # @return [Hash{Symbol => Array(String, Vips::Image)}] height: and normals:, each with its file name; none where
      #   the art is flat
      def self.reliefs(job, sheet, size, base_name)
        return {} unless job.relief

        Artwork::Relief::PICTURES.to_h do |kind|
          [kind.to_sym, ["#{base_name}-#{kind}.png", job.relief_picture(kind, sheet, size)]]
        end
      end

      # @param sheet [Vips::Image] composed on the canvas
      # @return [String, nil] what of the alpha is seen on the model, as Formats::Model has it; nil where islands are
      #   painted all over, or not at all
      def self.alpha(sheet, canvas)
        covered = canvas.texel_map(Artwork::Box.whole(canvas.size)).texels
        alpha = Numo::UInt8.from_binary(sheet.extract_band(3).write_to_memory)[covered]
        return if covered.empty? || alpha.min == 255 || alpha.max.zero?

        (alpha.gt(0) & alpha.lt(255)).any? ? "blend" : "mask"
      end
      private_class_method :alpha, :reliefs

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
