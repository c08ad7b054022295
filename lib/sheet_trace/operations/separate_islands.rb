# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves islands that lie on others, or too near them, to free places. Where there is no room, all islands are made
    # smaller together.
    #
    # islands [Array<Integer>]
    SeparateIslands = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands)].compact

      def apply(job)
        job.with(layout: Layout::Settle.call(job.layout, islands, gutter_px: job.gutter_px, keep_free: false))
      end

      def describe(job, after)
        scale = after.density_px_per_mm / job.density_px_per_mm
        smaller = scale < 0.999 ? ", all islands at #{Words.short(scale * 100)} % to make room" : ""
        "#{Words.islands(job, islands)} moved to #{islands.size == 1 ? "a place of its own" : "places of their own"}#{smaller}"
      end
    end
  end
end
