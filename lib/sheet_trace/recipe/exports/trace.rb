# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The wireframe template as PNG.
      module Trace
        extend Parameters

        text :file, "path to write, ending with .png", longest: 1000
        whole :width_px, SheetTrace::Layout::Sheet::SIDE_PX, "the sheet's if nil", optional: true
        whole :height_px, SheetTrace::Layout::Sheet::SIDE_PX, optional: true
        parameter :options, Parameters::Record.of(SheetTrace::Trace::Template), "how the lines are drawn", default: {}

        # @return [Hash{String => String}] path => bytes
        def self.call(job, file:, width_px:, height_px:, options:, **)
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
              Formats::Png::Writer.call(SheetTrace::Trace::Template.call(job.layout, size: size, **options).to_image)
          }
        end
      end
    end
  end
end
