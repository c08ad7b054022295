# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far art is carried past the islands' edges: in px, or as far as reduced copies of the sheet need it.
    class SetBleed < Operation
      whole :bleed_px, 0..Raster::Bleed::LARGEST_PX, "at the sheet's own size", optional: true
      whole :copy,
            1..Raster::Bleed::COPIES.last,
            "the smallest copy to be used is so many times smaller",
            optional: true

      def call(job)
        refuse("say the bleed in px, or the smallest copy") if [bleed_px, copy].none?

        px = bleed_px || Raster::Bleed.for_copy(copy)
        told = "Bleed: #{job.artwork.bleed_px} -> #{px} px"
        told += ", for copies down to 1 : #{copy}" if copy
        change(job.with(artwork: job.artwork.with(bleed_px: px)), told)
      end
    end
  end
end
