# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Underlays, cells and landmarks of a job.
    module FitSetupJson
      shape = Shape
      OUTLINE = shape::PAIR.list.or_null
      CELL_FIELDS = {
        name: shape::TEXT,
        x: shape::NUMBER,
        y: shape::NUMBER,
        width: shape::NUMBER,
        height: shape::NUMBER,
        outline: OUTLINE,
        color: shape::TRIPLE.or_null,
        flat: [shape::FLAG, "of one colour"],
        shade: [shape.one_of("across", "down").or_null, "where a gradient runs"]
      }.freeze
      PLAIN_CELL = Shape::Record.new("PlainCell", **CELL_FIELDS)
      CELL =
        Shape::Record.new(
          "Cell",
          **CELL_FIELDS,
          corners_px: [shape::PAIR.list, "px of the sheet; the rest of a cell is px of the picture"]
        )
      STEP =
        Shape.new(SheetTrace::Raster::Corrections::Step.new.typescript) do |value|
          value.is_a?(Hash) && value[:step] ? nil : "is no step"
        end
      UNDERLAY =
        Shape::Record.new(
          "Underlay",
          name: shape::TEXT,
          picture: [shape::TEXT, "digest"],
          picture_px: [shape::PAIR, "of the file"],
          size_px: [shape::PAIR, "corrected"],
          recipe: STEP.list,
          box: [shape::NUMBER.times(4), "left, top, width and height as shares of the sheet"],
          opacity: shape::NUMBER,
          locked: shape::FLAG,
          reference: [shape::FLAG, "only looked at"],
          scale_note: shape::TEXT,
          stretch: [shape::NUMBER, "how much wider than high its px are shown; 1 where they are square"],
          cells: CELL.list
        )
      LANDMARK =
        Shape::Record.new(
          "Landmark",
          triangle: shape::NUMBER,
          shares: shape::TRIPLE,
          island: shape::NUMBER,
          at_px: [shape::PAIR, "where its place of the surface lies on the sheet now"],
          to_px: [shape::PAIR, "where it must"],
          off_px: shape::NUMBER
        )
      SHAPE =
        Shape::Record.new(
          "FitSetup",
          shown: shape::NUMBER.or_null,
          inset_px: shape::NUMBER,
          underlays: UNDERLAY.list,
          landmarks: LANDMARK.list
        )
      CELLS = Shape::Record.new("FoundCells", cells: PLAIN_CELL.list)
      COMPOSED = Shape::Record.new("Composed", picture: Shapes::PICTURE, cells: PLAIN_CELL.list)
      NEXT_LANDMARK = Shape::Record.new("NextLandmark", at_px: shape::PAIR.or_null)
      SHAPES = [PLAIN_CELL, CELL, UNDERLAY, LANDMARK, SHAPE, CELLS, COMPOSED, NEXT_LANDMARK].freeze

      # @param job [SheetTrace::Job]
      def self.call(job)
        setup = job.fit_setup
        {
          shown: setup.shown,
          inset_px: setup.inset_px,
          underlays: setup.underlays.map { |underlay| underlay(underlay, job.sheet) },
          landmarks: landmarks(job)
        }
      end

      def self.underlay(underlay, sheet)
        {
          name: underlay.name,
          picture: underlay.picture,
          picture_px: underlay.picture_px,
          size_px: underlay.size_px,
          recipe: underlay.recipe,
          box: underlay.box,
          opacity: underlay.opacity,
          locked: underlay.locked,
          reference: underlay.reference,
          scale_note: underlay.scale_note,
          stretch: SheetTrace::Fit::Swap.stretch(underlay, sheet),
          cells: underlay.cells.map { |cell| { **cell.to_h, corners_px: underlay.corners_px(cell, sheet) } }
        }
      end

      def self.landmarks(job)
        map = job.layout.uv_map
        off = SheetTrace::Fit::FitLandmarks.residuals(job.layout, job.fit_setup.landmarks)
        job
          .fit_setup
          .landmarks
          .zip(off)
          .map do |mark, px|
            {
              triangle: mark.triangle,
              shares: mark.shares,
              island: mark.island(map),
              at_px: mark.at(map, job.layout.points_px),
              to_px: job.sheet.uv_to_px.at(*mark.to),
              off_px: px
            }
          end
      end

      # A file of cells, to be used with another job or program.
      def self.cell_file(underlay)
        {
          width_px: underlay.size_px[0],
          height_px: underlay.size_px[1],
          cells: underlay.cells.map { |cell| cell.to_h.compact }
        }
      end
      private_class_method :underlay, :landmarks
    end
  end
end
