# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves, turns and scales islands: first scaled, then turned, then moved. Twins that lie on them go along.
    class TransformIslands < Operation
      # Turned about a place on a grid of 1/1024 px, islands come back to the bit after four quarter turns.
      PIVOT_STEPS = 1024.0

      islands
      numbers :move_px, 2, -100_000..100_000, "right and down", default: [0, 0]
      angle :turn_rad, -1000..1000, "clockwise", default: 0
      numbers :scale, 2, 0.001..1000, "across and down the sheet", default: [1, 1]
      parameter :about,
                Parameters::Either.new(
                  Parameters::OneOf.new(%w[common each]),
                  Parameters::Numbers.new(2, -100_000..100_000)
                ),
                "common: the middle of the box round all; each: each about its own; or a place, px",
                default: "common"
      one_of :hold,
             Layout::PixelHold::NAMES,
             "of pixels that the left upper corner of the box, round all or of each, is brought to in the end",
             optional: true

      def call(job)
        turned = Geometry::Affine.turn(turn_rad) * Geometry::Affine.scale(*scale)
        stacks = Layout::Stacks.of(job.layout, islands)
        groups = about == "each" ? stacks : [stacks.flatten]
        after =
          job.with(
            layout:
              groups.reduce(job.layout) do |layout, group|
                middle =
                  (
                    if about.is_a?(Array)
                      about
                    else
                      layout.centre_px(group).map { |px| (px * PIVOT_STEPS).round / PIVOT_STEPS }
                    end
                  )
                held(layout.place(group, Geometry::Affine.move(*move_px) * turned.about(*middle)), group)
              end
          )
        change(after, sentence(job, after))
      end

      private

      def held(layout, group)
        return layout unless hold

        corner = layout.boxes_px[group, true].min(axis: 0)[0..1]
        layout.place(group, Geometry::Affine.move(*(Layout::PixelHold.call(corner, hold) - corner)))
      end

      def sentence(job, after)
        does = []
        does << "scaled to #{scaled(after)}" if scale != [1, 1]
        does << "turned #{Phrases.degrees(turn_rad)}" unless turn_rad.zero?
        does << moved if move_px != [0, 0]
        "#{Phrases.islands(job, islands)}: #{does.empty? ? "left in place" : does.join(", ")}"
      end

      def scaled(after)
        return "#{Phrases.short(scale[0] * 100)} %" if islands.size > 1

        measure = after.measures[islands.first]
        "#{Phrases.size_px(measure.size_px)}, #{Phrases.short(measure.density_px_per_mm)} px/mm"
      end

      def moved
        across, down =
          [%w[right left], %w[down up]].zip(move_px)
            .map { |(ahead, back), px| "#{Phrases.px(px.abs)} #{px.positive? ? ahead : back}" unless px.zero? }
        "moved #{[across, down].compact.join(", ")}"
      end
    end
  end
end
