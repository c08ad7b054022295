# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A layout to be looked at beside another: its outlines and figures; of a kept map also what lies otherwise now.
    module MapJson
      shape = Shape
      SUMMARY =
        Shape::Record.new(
          "Summary",
          islands: shape::NUMBER,
          stretch_mean: shape::NUMBER,
          stretch_worst: shape::NUMBER.or_null,
          density_px_per_mm: shape::PAIR,
          used: shape::NUMBER,
          turned: shape::NUMBER
        )
      CHANGE =
        Shape::Record.new(
          "IslandChange",
          name: shape::TEXT,
          cut_anew: [shape::FLAG, "the figures are null then"],
          moved_px: shape::NUMBER.or_null,
          turn_deg: shape::NUMBER.or_null,
          scale: shape::NUMBER.or_null,
          reflected: shape::FLAG.or_null
        )
      SHAPE =
        Shape::Record.new(
          "SheetMap",
          name: shape::TEXT,
          sheet: Shapes::SHEET,
          free_square_px: [shape::NUMBER, "side of the largest square that is free"],
          summary: SUMMARY,
          lines: Shapes::LINES
        )
      FIGURES = %i[stretch_mean stretch_worst density_px_per_mm used turned].freeze
      COMPARED = Shape::Record.new("ComparedFigures", **FIGURES.to_h { |figure| [figure, shape::NUMBER] })
      KEPT =
        SHAPE.with(
          "KeptSheetMap",
          changes: CHANGE.list,
          compared: [COMPARED, "1 where the kept map is better than the present one, -1 where it is worse"]
        )
      SHAPES = [SUMMARY, CHANGE, SHAPE, COMPARED, KEPT].freeze

      # @param name [String]
      # @param layout [SheetTrace::Layout]
      # @return [Hash]
      def self.call(name, layout, unit_mm)
        free = SheetTrace::Layout::FindRoom.new(layout, without: [], gutter_px: 0).largest_square_px
        {
          name: name,
          free_square_px: free,
          sheet: layout.sheet.to_h,
          summary: SheetTrace::Layout::Summary.call(layout, unit_mm: unit_mm).to_h,
          lines: LinesJson.call(SheetTrace::Operations::Preview.lines(layout, (0...layout.uv_map.island_count).to_a))
        }
      end

      # @param kept [SheetTrace::Job::KeptMap]; job [SheetTrace::Job]
      # @return [Hash]
      def self.kept(kept, job)
        changes =
          SheetTrace::Layout::Changes
            .call(kept.layout, job.layout)
            .map do |change|
              {
                name: job.island_names[change.island],
                cut_anew: change.cut_anew,
                moved_px: change.moved_px,
                turn_deg: change.turn_rad && (change.turn_rad * 180 / Math::PI),
                scale: change.scale,
                reflected: change.reflected
              }
            end
        summary, present =
          [kept.layout, job.layout].map { |layout| SheetTrace::Layout::Summary.call(layout, unit_mm: job.unit_mm) }
        { **call(kept.name, kept.layout, job.unit_mm), changes: changes, compared: summary.compared(present) }
      end
    end
  end
end
