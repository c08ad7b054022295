# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves, turns and scales islands together, about the middle of their common box: first scaled, then
    # turned, then moved.
    #
    # islands [Array<Integer>]; move_px [Array(Float, Float)] right and down; turn_rad [Float] clockwise
    # scale [Array(Float, Float)] across and down the sheet
    TransformIslands = Struct.new(:islands, :move_px, :turn_rad, :scale, keyword_init: true) do
      def initialize(islands:, move_px: [0, 0], turn_rad: 0, scale: [1, 1])
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands),
         *pair(move_px, "move", -100_000..100_000), Checks.number(turn_rad, "turn", -1000..1000), *pair(scale, "scale", 0.001..1000)].compact
      end

      def apply(job)
        x, y = job.layout.centre_px(islands)
        about = (Geometry::Affine.turn(turn_rad) * Geometry::Affine.scale(*scale)).about(x, y)
        job.with(layout: job.layout.place(islands, Geometry::Affine.move(*move_px) * about))
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
  end
end
