# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The model that wears the composed sheet, in the format of the file's ending, with what belongs to it beside.
      module Model
        extend Parameters

        text :file, "path to write, ending with .obj, .glb, .dae or .ply", longest: 1000
        whole :width_px, SheetTrace::Layout::Sheet::SIDE_PX, "of its texture; the sheet's if nil", optional: true
        whole :height_px, SheetTrace::Layout::Sheet::SIDE_PX, optional: true

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, width_px:, height_px:)
          size =
            SheetTrace::Layout::Sheet.new(
              width_px: width_px || job.sheet.width_px,
              height_px: height_px || job.sheet.height_px
            )
          files =
            Job::Deliver.call(
              job,
              pictures: pictures,
              size: size,
              base_name: File.basename(file, ".*"),
              format: File.extname(file).delete_prefix(".").downcase
            )
          files.transform_keys { |name| File.dirname(file) == "." ? name : File.join(File.dirname(file), name) }
        end
      end
    end
  end
end
