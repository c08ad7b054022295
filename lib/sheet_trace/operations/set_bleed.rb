# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far art is carried past the islands' edges.
    #
    # bleed_px [Integer] 0 to 64, at the sheet's own size
    SetBleed = Struct.new(:bleed_px, keyword_init: true) do
      def initialize(bleed_px:)
        super
        freeze
      end

      def validate(_job)
        bleed_px.is_a?(Integer) && bleed_px.between?(0, Raster::Bleed::LARGEST_PX) ? [] : ["bleed is #{bleed_px.inspect}; give a whole number from 0 to 64"]
      end

      def apply(job) = job.with(edition: job.edition.with(bleed_px: bleed_px))

      def describe(job, _after) = "Bleed: #{job.edition.bleed_px} -> #{bleed_px} px"
    end
  end
end
