# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What an operation would do to the sheet, and a step of work that is watched.
    module PreviewJson
      shape = Shape
      ISLAND =
        Shape::Record.new(
          "PreviewedIsland",
          index: shape::NUMBER,
          name: shape::TEXT,
          move_px: [
            shape::NUMBER.list.or_null,
            "a, b, c, d, e, f of how its px get there: a x + b y + c across, d x + e y + f down; null where it is cut anew"
          ],
          box_px: [shape::NUMBER.list, "left, top, right and bottom on the sheet as it would be"],
          stretch_mean: shape::NUMBER.or_null,
          stretch_worst: shape::NUMBER.or_null
        )
      SHAPE =
        Shape::Record.new(
          "Preview",
          sentence: shape::TEXT,
          sheet: Shapes::SHEET,
          islands: ISLAND.list,
          facts: [shape::ANY.by_name, "as OperationFacts has them"],
          lines: [Shapes::LINES, "x and y of both ends, one after the other, in hundredths of a px"]
        )
      STEP =
        Shape::Record.new(
          "Watched",
          facts: [shape::ANY.by_name, "as OperationFacts has them"],
          sheet: Shapes::SHEET,
          lines: [Shapes::LINES, "as of a preview"]
        )
      SHAPES = [ISLAND, SHAPE, STEP].freeze

      # @param preview [SheetTrace::Operations::Preview]
      # @return [Hash]
      def self.call(preview)
        job = preview.change.job
        islands =
          preview.islands.map do |island|
            {
              index: island,
              name: job.island_names[island],
              move_px: preview.moves_px[island]&.to_a,
              box_px: job.layout.boxes_px[island, true].to_a,
              **job.measures[island].to_h.slice(:stretch_mean, :stretch_worst)
            }
          end
        {
          sentence: preview.change.sentence,
          sheet: job.sheet.to_h,
          islands: islands,
          facts: preview.change.facts,
          lines: LinesJson.call(preview.lines_px)
        }
      end

      # @param operation [SheetTrace::Operations::Operation]; after [SheetTrace::Job]; facts [Hash]
      # @return [Hash]
      def self.step(operation, after, facts) =
        { facts: facts, sheet: after.sheet.to_h, lines: LinesJson.call(operation.lines_px(after)) }
    end
  end
end
