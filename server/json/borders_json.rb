# frozen_string_literal: true

module SheetTraceServer
  module Json
    # How islands keep inside their cells.
    module BordersJson
      # @param seen [Array<SheetTrace::Fit::BorderWatch::Seen>]; inset_px [Numeric] wanted
      def self.call(seen, inset_px)
        seen.map { |one| { island: one.island, cell: one.cell, inside_px: one.inside_px, near: one.inside_px < inset_px - 1e-6, rim_from: one.rim_from, rims: one.rims } }
      end
    end
  end
end
