# frozen_string_literal: true

module SheetTrace
  module Trace
    # Draws a layout's edges as lines at a set size, each place once even where islands share it.
    module Template
      extend Parameters

      number :line_px, 1.0..64.0, label: "line width", default: 1.0
      color :color, "of the lines", default: "#1f2a36"
      parameter :background,
                Parameters::Either.new(Parameters::OneOf.new(%w[none white]), Parameters::Color.new),
                default: "none"
      one_of :edges, %w[all outline], "outline: the islands' borders only", default: "all"

      # @param layout [Layout]
      # @param size [Layout::Sheet] of the template, which may differ from the layout's own
      # @param islands [Array<Integer>, nil] all if nil
      # @param options [Hash] as declared above
      # @return [Drawing::LineWork]
      # @raise [InputError] where: { line_px: }, { color: }, { background: }, { edges: } or { island: }
      def self.call(layout, size:, islands: nil, **options)
        chosen = validated(options)
        ground = { "none" => nil, "white" => "#ffffff" }.fetch(chosen[:background], chosen[:background])
        Drawing::LineWork.new(
          segments: segments(layout, size, chosen[:edges], islands),
          width_px: size.width_px,
          height_px: size.height_px,
          line_px: chosen[:line_px].to_f,
          color: Drawing::Color.parse(chosen[:color]),
          background: ground && Drawing::Color.parse(ground)
        )
      end

      # A vertex at UV (u, v) lies at (u * width, (1 - v) * height) px from the top left corner.
      def self.segments(layout, size, edges, islands)
        found = layout.uv_map.edges
        points = size.to_px(layout.points_uv)
        rows = rows(found, edges, islands, layout.uv_map.island_count)
        return Numo::DFloat.zeros(0, 4) if rows.empty?

        ends = found.points[rows, true]
        lines = Numo::DFloat.zeros(ends.shape[0], 4)
        lines[true, 0..1] = points[ends[true, 0], true]
        lines[true, 2..3] = points[ends[true, 1], true]
        once(lines)
      end

      def self.rows(found, edges, islands, count)
        wanted = edges == "all" ? Numo::Bit.ones(found.outline.size) : found.outline
        return wanted.where unless islands

        stranger = islands.find { |island| !island.between?(0, count - 1) }
        raise InputError.new("there is no island #{stranger}", where: { island: stranger }) if stranger

        picked = Numo::Bit.zeros(count).tap { |bits| bits[islands] = 1 unless islands.empty? }
        (wanted & picked[found.islands]).where
      end

      # Leaves one of lines that lie in the same place to a thousandth of a px, whichever way they run.
      def self.once(lines)
        return lines if lines.shape[0] < 2

        keys = Numo::Int64.cast((lines * 1000).round)
        places = place_ranks(keys)
        low = Numo::Int64.minimum(*places)
        high = Numo::Int64.maximum(*places)
        ranks, count = Geometry::Grouped.pair_ranks(low, high, high.max + 1)
        lines[Geometry::Grouped.representatives(ranks, count).sort, true]
      end

      # The same number for the same place, whether it is a line's start or its end.
      def self.place_ranks(keys)
        count = keys.shape[0]
        x, = Geometry::Grouped.ranks(keys[true, 0].concatenate(keys[true, 2]))
        y, y_count = Geometry::Grouped.ranks(keys[true, 1].concatenate(keys[true, 3]))
        both, = Geometry::Grouped.pair_ranks(x, y, y_count)
        [both[0...count], both[count..]]
      end
      private_class_method :segments, :rows, :once, :place_ranks
    end
  end
end
