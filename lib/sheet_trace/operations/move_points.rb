# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves corners or edges of the sheet map by themselves, so that their islands bend; twins that lie on them along.
    #
    # points [Array<Integer>] of the map; move_px [Array(Numeric, Numeric)] right and down
    # to [String, nil] "corners" or "middles" of pixels that each is brought to afterwards
    MovePoints = Struct.new(:points, :move_px, :to, keyword_init: true) do
      def initialize(points:, move_px:, to: nil)
        super
        freeze
      end

      def validate(job)
        count = job.layout.uv_map.point_count
        return ["no corner is picked; pick some first"] unless points.is_a?(Array) && points.any?

        stranger = points.find { |point| !point.is_a?(Integer) || !point.between?(0, count - 1) }
        return ["there is no corner #{stranger.inspect} on the sheet; it has #{count}, counted from 0"] if stranger
        return ["move is #{move_px.inspect}; give two numbers"] unless move_px.is_a?(Array) && move_px.size == 2

        [*move_px.filter_map { |value| Checks.number(value, "move", -100_000..100_000) }, to && Checks.one_of(to, "to", %w[corners middles])].compact
      end

      def apply(job)
        px = job.layout.points_px.copy
        moved = px[points, true] + Numo::DFloat[move_px]
        offset = to == "middles" ? 0.5 : 0.0
        moved = (moved - offset).round + offset if to
        px[points, true] = moved
        uv = job.layout.points_uv.copy
        uv[points, true] = job.sheet.px_to_uv.apply(px[points, true])
        Job::Remap.reshaped(job, uv)
      end

      def describe(job, _after)
        islands = job.layout.uv_map.point_islands[points].to_a.uniq
        "#{Words.islands(job, islands)}: #{Words.count(points.size, "corner")} moved by #{move_px.map { |value| Words.short(value) }.join(", ")} px#{", held to pixel #{to}" if to}"
      end
    end
  end
end
