# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The composed sheet as PNG.
      module Texture
        extend Sized

        text :file, "path to write, ending with .png", longest: 1000
        sized "the sheet's if nil"
        parameter :edition, Parameters::Text.new(80), "its name; the one shown if nil", optional: true

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, width_px:, height_px:, edition:)
          size = sheet(job, width_px, height_px)
          canvas = job.canvas(pictures: pictures, size: size)
          png(file, job, size) { Artwork::Compose.call(job.artwork, canvas, edition: index(job, edition)) }
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
