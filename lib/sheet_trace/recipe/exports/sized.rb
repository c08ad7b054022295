# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # What exports share that draw the sheet at a size of their own.
      module Sized
        include Parameters

        # Declares the size.
        def sized(note, side_px = SheetTrace::Layout::Sheet::SIDE_PX)
          whole :width_px, side_px, note, optional: true
          whole :height_px, side_px, optional: true
        end

        # @return [Layout::Sheet]
        def sheet(job, width_px, height_px)
          SheetTrace::Layout::Sheet.of_template(
            width_px: width_px || job.sheet.width_px,
            height_px: height_px || job.sheet.height_px
          )
        end

        # @param job [Job]; size [Layout::Sheet] of the image that the block gives
        # @return [Hash{String => String}] path => bytes
        # @raise [InputError] where: { file: }
        def png(file, job, size)
          unless file.downcase.end_with?(".png")
            raise InputError.new("#{file} does not end with .png", where: { file: file })
          end

          { file => Formats::Png::Writer.call(yield, px_per_mm: job.true_density_px_per_mm(size)) }
        end
      end
    end
  end
end
