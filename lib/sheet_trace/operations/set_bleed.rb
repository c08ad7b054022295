# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far art is carried past the islands' edges.
    class SetBleed < Operation
      whole :bleed_px, 0..Raster::Bleed::LARGEST_PX, "at the sheet's own size"

      def call(job)
        change(
          job.with(artwork: job.artwork.with(bleed_px: bleed_px)),
          "Bleed: #{job.artwork.bleed_px} -> #{bleed_px} px"
        )
      end
    end
  end
end
