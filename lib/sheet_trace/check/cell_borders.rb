# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands that come nearer to the border of the cell they lie in than the inset that is wanted. What colours their
    # rims sample is told by
    # Fit::BorderWatch, which needs the picture.
    module CellBorders
      SLACK_PX = 0.01
      private_constant :SLACK_PX

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        wanted = subject.fit_setup.inset_px
        return [] unless subject.fit_setup.underlay && wanted.positive?

        inside =
          subject.islands.filter_map do |island|
            subject.cell_of(island)&.then { |cell| [island, cell, inside(subject, island, cell)] }
          end
        near = inside.select { |_island, _cell, px| px < wanted - SLACK_PX }
        return [] if near.empty?

        places =
          near.map do |island, cell, px|
            Place.new(
              text: "#{subject.names[island]} in #{cell.name}: #{format("%.2f", px)} px",
              islands: [island],
              numbers: {
                inside_px: px
              }
            )
          end
        assignments =
          near.map do |island, cell, _px|
            {
              islands: [island],
              cell: subject.fit_setup.cells.index(cell),
              turn: "keep",
              mirrored: subject.measures[island].mirrored
            }
          end
        [
          Finding.new(
            code: "cell_borders",
            severity: "warning",
            message:
              "#{Check.count(near.size, "island comes", "islands come")} nearer to the border of " \
                "#{near.size == 1 ? "its cell" : "their cells"} than #{wanted} px",
            meaning: "Where the sheet is shown small, a rim of the neighbour's colour shows.",
            places: places,
            mend:
              Mend.new(
                label: "Set in with the inset",
                operation: "set_into_cells",
                parameters: {
                  assignments: assignments
                }
              )
          )
        ]
      end

      def self.inside(subject, island, cell)
        left, top, right, bottom = subject.fit_setup.underlay.box_px(cell, subject.sheet)
        box = subject.layout.boxes_px[island, true].to_a
        [box[0] - left, box[1] - top, right - box[2], bottom - box[3]].min
      end
      private_class_method :inside
    end
  end
end
