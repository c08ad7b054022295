# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The composed sheet as PNG.
      module Texture
        extend References

        text :file, "path to write, ending with .png", longest: 1000
        whole :width_px, SheetTrace::Layout::Sheet::SIDE_PX, "the sheet's if nil", optional: true
        whole :height_px, SheetTrace::Layout::Sheet::SIDE_PX, optional: true
        parameter :edition, Parameters::Text.new(80), "its name; the one shown if nil", optional: true

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, width_px:, height_px:, edition:)
          unless file.downcase.end_with?(".png")
            raise InputError.new("#{file} does not end with .png", where: { file: file })
          end

          size =
            SheetTrace::Layout::Sheet.new(
              width_px: width_px || job.sheet.width_px,
              height_px: height_px || job.sheet.height_px
            )
          {
            file =>
              Formats::Png::Writer.call(
                Artwork::Compose.call(
                  job.artwork,
                  job.canvas(pictures: pictures, size: size),
                  edition: index(job, edition)
                )
              )
          }
        end

        def self.index(job, name)
          return job.artwork.shown unless name

          names = job.artwork.editions.map(&:name)
          names.index(name) ||
            raise(
              InputError.new(
                "there is no edition #{name.inspect}; there are #{names.join(", ")}",
                where: {
                  edition: name
                }
              )
            )
        end
        private_class_method :index
      end
    end
  end
end
