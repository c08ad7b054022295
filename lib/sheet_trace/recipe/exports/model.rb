# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The model that wears the composed sheet, in the format of the file's ending, with what belongs to it beside.
      module Model
        extend Sized

        text :file, "path to write, ending with .obj, .glb, .gltf, .dae or .ply", longest: 1000
        sized "of its texture; the sheet's if nil"
        parameter :options, Parameters::Record.of(Job::Deliver), "how the files are written", default: {}

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, width_px:, height_px:, options:)
          size = sheet(job, width_px, height_px)
          files =
            Job::Deliver.call(
              job,
              pictures: pictures,
              size: size,
              base_name: File.basename(file, ".*"),
              **options,
              format: File.extname(file).delete_prefix(".").downcase
            )
          files.transform_keys { |name| File.dirname(file) == "." ? name : File.join(File.dirname(file), name) }
        end
      end
    end
  end
end
