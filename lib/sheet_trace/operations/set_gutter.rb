# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far islands shall keep from each other.
    #
    # gutter_px [Integer] 0 to 64, at the sheet's own size
    SetGutter = Struct.new(:gutter_px, keyword_init: true) do
      def initialize(gutter_px:)
        super
        freeze
      end

      def validate(_job) = gutter_px.is_a?(Integer) && gutter_px.between?(0, 64) ? [] : ["gutter is #{gutter_px.inspect}; give a whole number from 0 to 64"]

      def apply(job) = job.with(gutter_px: gutter_px)

      def describe(job, _after) = "Gutter wanted: #{job.gutter_px} -> #{gutter_px} px"
    end
  end
end
