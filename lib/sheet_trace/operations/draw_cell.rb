# frozen_string_literal: true

module SheetTrace
  module Operations
    # Adds a cell to an underlay where a hand drew a rectangle on the sheet: on whole px of the picture, under a name
    # that is free.
    class DrawCell < Operation
      underlay :index
      list :corners_px,
           Parameters::Numbers.new(2),
           "two opposite corners of the rectangle, px of the sheet",
           sizes: 2..2,
           entry: "corner"

      def call(job)
        underlay = job.fit_setup.underlays[index]
        cell = Fit::Cell.new(name: free_name(underlay.cells), **box(underlay, job.sheet))
        added = done(SetCells.new(index: index, cells: [*underlay.cells, cell].map(&:to_h)), job)
        change(added, "#{underlay.name}: #{cell.name} drawn, #{cell.width} x #{cell.height} px")
      end

      private

      def box(underlay, sheet)
        sides = underlay.on_picture(corners_px, sheet).transpose.zip(underlay.size_px)
        x, y = sides.map { |places, side| places.min.round.clamp(0, side) }
        right, bottom = sides.map { |places, side| places.max.round.clamp(0, side) }
        refuse("the rectangle holds no px of #{underlay.name}; draw it over the picture") if right == x || bottom == y

        { x: x, y: y, width: right - x, height: bottom - y }
      end

      def free_name(cells)
        taken = cells.map(&:name)
        (cells.size + 1..).lazy.map { |number| "Cell #{number}" }.find { |name| !taken.include?(name) }
      end
    end
  end
end
