# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands closer together than the gutter that is wanted.
    module Gutter
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        wanted = subject.gutter_px * subject.raster_scale
        return [] if wanted < 1 || subject.crowded.empty?

        pairs = gaps(subject, wanted).sort_by(&:last)
        return [] if pairs.empty?

        places =
          pairs.map do |(a, b), gap|
            Place.new(
              text: "#{subject.names[a]} and #{subject.names[b]}: #{format("%.1f", gap)} px",
              islands: [a, b],
              numbers: {
                gap_px: gap
              }
            )
          end
        [
          Finding.new(
            code: "gutter",
            severity: "warning",
            message:
              "#{Check.count(pairs.size, "pair of islands is", "pairs of islands are")} closer than " \
                "#{subject.gutter_px} px",
            meaning: "Paint of one bleeds into the other where the sheet is shown small.",
            places: places,
            mend:
              Mend.new(
                label: "Move them apart",
                operation: "separate_islands",
                parameters: {
                  islands: Check.fewest(pairs.map(&:first))
                }
              )
          )
        ]
      end

      # Islands that lie on each other are another finding, and those that share a cell or a colour of the picture can
      # lend each other nothing else.
      def self.gaps(subject, wanted)
        Raster::Gaps
          .call(subject.owner, wanted)
          .transform_values { |gap| gap / subject.raster_scale }
          .reject do |pair, _gap|
            subject.overlaps.key?(pair) || subject.in_one_cell?(pair) || subject.on_one_colour?(pair)
          end
      end
      private_class_method :gaps
    end
  end
end
