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
        parameter :receiver,
                  Parameters::Record.of(Job::Receiver),
                  "in the place of options but parts and editions; its rules are kept",
                  optional: true

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, width_px:, height_px:, options:, receiver:)
          size = sheet(job, width_px, height_px)
          base_name = File.basename(file, ".*")
          options = { **options, **receiver[:options].except(*Job::Receiver::OF_JOBS) } if receiver
          options = { **options, format: File.extname(file).delete_prefix(".").downcase }
          files = -> { Job::Deliver.call(job, pictures: pictures, size: size, base_name: base_name, **options) }
          Job::Receiver.new(**receiver).hold(job, size, options, base_name: base_name, &files) if receiver
          files.call.transform_keys { |name| File.dirname(file) == "." ? name : File.join(File.dirname(file), name) }
        end
      end
    end
  end
end
