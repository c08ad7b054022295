# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A layout to be looked at beside another: its outlines and figures.
    module MapJson
      # @param name [String]
      # @param layout [SheetTrace::Layout]
      # @return [Hash]
      def self.call(name, layout, unit_mm)
        free = SheetTrace::Layout::FindRoom.new(layout, without: [], gutter_px: 0).largest_square_px
        { name: name, free_square_px: free, sheet: layout.sheet.to_h, summary: SheetTrace::Layout::Summary.call(layout, unit_mm: unit_mm).to_h,
          lines: LinesJson.call(SheetTrace::Operations::Preview.outlines(layout, (0...layout.uv_map.island_count).to_a)) }
      end
    end
  end
end
