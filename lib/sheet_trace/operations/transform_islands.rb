# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves, turns and scales islands: first scaled, then turned, then moved. Twins that lie on them go along.
    #
    # islands [Array<Integer>]; move_px [Array(Float, Float)] right and down; turn_rad [Float] clockwise
    # scale [Array(Float, Float)] across and down the sheet
    # about [String, Array(Float, Float)] "common": the middle of the box round all; "each": each about its own; or a place, px
    TransformIslands = Struct.new(:islands, :move_px, :turn_rad, :scale, :about, keyword_init: true) do
      def initialize(islands:, move_px: [0, 0], turn_rad: 0, scale: [1, 1], about: "common")
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands),
         *pair(move_px, "move", -100_000..100_000), Checks.number(turn_rad, "turn", -1000..1000), *pair(scale, "scale", 0.001..1000),
         *(%w[common each].include?(about) ? [] : pair(about, "about", -100_000..100_000))].compact
      end

      def apply(job)
        change = Geometry::Affine.turn(turn_rad) * Geometry::Affine.scale(*scale)
        stacks = Layout::Stacks.of(job.layout, islands)
        groups = about == "each" ? stacks : [stacks.flatten]
        job.with(layout: groups.reduce(job.layout) do |layout, group|
          middle = about.is_a?(Array) ? about : layout.centre_px(group).map { |px| (px * TransformIslands::PIVOT_STEPS).round / TransformIslands::PIVOT_STEPS }
          layout.place(group, Geometry::Affine.move(*move_px) * change.about(*middle))
        end)
      end

      def describe(job, after)
        done = []
        done << "scaled to #{scaled(after)}" if scale != [1, 1]
        done << "turned #{Words.degrees(turn_rad)}" unless turn_rad.zero?
        done << moved if move_px != [0, 0]
        "#{Words.islands(job, islands)}: #{done.empty? ? "left in place" : done.join(", ")}"
      end

      private

      def pair(values, what, range)
        return ["#{what} is #{values.inspect}; give two numbers"] unless values.is_a?(Array) && values.size == 2

        values.filter_map { |value| Checks.number(value, what, range) }
      end

      def scaled(after)
        return "#{Words.short(scale[0] * 100)} %" if islands.size > 1

        measure = after.measures[islands.first]
        "#{Words.size_px(measure.size_px)}, #{Words.short(measure.density_px_per_mm)} px/mm"
      end

      def moved
        dx, dy = move_px
        [(if dx.zero?
            nil
          else
            "#{Words.px(dx.abs)} #{dx.positive? ? "right" : "left"}"
          end),
         (if dy.zero?
            nil
          else
            "#{Words.px(dy.abs)} #{dy.positive? ? "down" : "up"}"
          end)].compact.join(", ").then { |way| "moved #{way}" }
      end
    end

    # Turned about a place on a grid of 1/1024 px, islands come back to the bit after four quarter turns.
    class TransformIslands
      PIVOT_STEPS = 1024.0
    end
  end
end
