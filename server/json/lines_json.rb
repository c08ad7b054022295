# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Lines on the sheet: x and y of both ends, one after the other, in hundredths of a px.
    module LinesJson
      # @param lines_px [Numo::DFloat] n x 4
      # @return [Array<Integer>] 4 n
      def self.call(lines_px) = lines_px.empty? ? [] : Numo::Int32.cast((lines_px * 100).round).flatten.to_a
    end
  end
end
