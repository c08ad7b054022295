# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands that lie on each other: by accident, or exactly, as twins that share their paint, or in one cell of a
    # picture, be it found or only seen to have one colour.
    module Overlaps
      # Shared texels that rounding at a common border may bring about.
      SLACK_PX = 2
      private_constant :SLACK_PX

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        pairs = subject.overlaps.select { |_pair, px| px > SLACK_PX }.sort_by { |_pair, px| -px }
        twins, others = pairs.partition { |pair, _px| subject.twins.include?(pair) }
        shared, others = others.partition { |pair, _px| subject.in_one_cell?(pair) }
        alike, accidents = others.partition { |pair, _px| subject.on_one_colour?(pair) }
        [accident(subject, accidents), twin(subject, twins), cell(subject, shared), one_colour(subject, alike)].compact
      end

      def self.one_colour(subject, pairs)
        return if pairs.empty?

        Finding.new(
          code: "shared_colour",
          severity: "hint",
          message:
            "#{Check.count(pairs.flat_map(&:first).uniq.size, "island")} that lie on each other are on one colour of " \
              "the picture",
          meaning: "They wear that colour, as from a palette. What is painted there shows on all of them.",
          places: places(subject, pairs)
        )
      end

      def self.cell(subject, pairs)
        return if pairs.empty?

        cells = pairs.map { |(a, _b), _px| subject.cell_of(a).name }.uniq
        Finding.new(
          code: "shared_cells",
          severity: "hint",
          message:
            "#{Check.count(pairs.flat_map(&:first).uniq.size, "island")} share #{Check.count(cells.size, "cell")} of " \
              "the underlay",
          meaning: "They wear the same part of the picture. What is painted there shows on all of them.",
          places: places(subject, pairs)
        )
      end

      def self.accident(subject, pairs)
        return if pairs.empty?

        Finding.new(
          code: "overlap",
          severity: "error",
          message: "#{Check.count(pairs.size, "pair of islands lies", "pairs of islands lie")} on each other",
          meaning: "Paint on one appears on the other.",
          places: places(subject, pairs),
          mend: separate(pairs, "Separate them")
        )
      end

      def self.twin(subject, pairs)
        return if pairs.empty?

        Finding.new(
          code: "twins",
          severity: "hint",
          message:
            "#{Check.count(pairs.size, "pair of twins shares its place", "pairs of twins share their places")} on " \
              "the sheet",
          meaning: "Both wear the same paint. Lettering would repeat, and read backwards on a mirrored half.",
          places: places(subject, pairs),
          mend: separate(pairs, "Give each its own place")
        )
      end

      def self.places(subject, pairs)
        pairs.map do |(a, b), px|
          Place.new(
            text: "#{subject.names[a]} and #{subject.names[b]}: #{px.round} texels",
            islands: [a, b],
            numbers: {
              texels: px.round
            }
          )
        end
      end

      def self.separate(pairs, label)
        Mend.new(label: label, operation: "separate_islands", parameters: { islands: Check.fewest(pairs.map(&:first)) })
      end
      private_class_method :accident, :twin, :cell, :one_colour, :places, :separate
    end
  end
end
