# frozen_string_literal: true

module SheetTrace
  module Operations
    # Evens out islands where they lie, step by step: spacing on the sheet comes nearer to true spacing on the model.
    class Relax < Operation
      # More steps than any that is watched takes.
      MOST_STEPS = 100_000

      islands
      one_of :border, %w[free held], default: "free"
      corners :pins, "vertices that stay where they are, to the bit", default: []
      whole :steps, 1..MOST_STEPS, "at the most, over all islands; as many as bring them to rest if nil", optional: true
      fact :step, Parameters::Whole.new(1..MOST_STEPS)
      fact :spacing_before, Parameters::Number.new(0..1e9)
      fact :spacing, Parameters::Number.new(0..1e9)

      def call(job)
        done = 0
        after = relaxed(job) { |step, _spacing, _points_uv| done = step }
        spacing = [job, after].map { |state| islands.map { |island| spacing(state, island) }.max }
        stretch = stretches(job, after, islands, :stretch_mean)
        change(
          after,
          "#{Phrases.islands(job, islands)} relaxed with #{border == "held" ? "the border held" : "a free border"}: " \
            "spacing off by #{spacing.map { |factor| format("%.2f", 100 * (factor - 1)) }.join(" -> ")} %, mean stretch #{Phrases.from_to(stretch)}",
          step: done,
          spacing_before: spacing.first,
          spacing: spacing.last
        )
      end

      # The steps one after the other; as many as were seen are taken by their number.
      #
      # @yieldparam after [Job] so far
      # @yieldparam facts [Hash] step: 1, 2 ... over all islands; spacing_before, spacing: how far the island is from
      #   true spacing, as Flatten::Relax.spacing has it
      # @yieldreturn [Boolean] whether to go on
      # @return [Job]
      def watch(job)
        before = Hash.new { |known, island| known[island] = spacing(job, island) }
        relaxed(job) do |step, spacing, points_uv, island|
          facts = { step: step, spacing_before: before[island], spacing: spacing }
          yield(job.with(layout: job.layout.with_points_uv(points_uv.copy)), facts)
        end
      end

      # The inner edges show what is going on.
      def lines_px(after) = Preview.lines(after.layout, islands, inner: true)

      private

      def relaxed(job)
        uv = job.layout.points_uv.copy
        done = 0
        going = true
        islands.each do |island|
          break unless going

          ground = ground(job, island)
          settle = ->(places) { ground.write(uv, places, stay: pinned(ground)) }
          flat =
            Flatten::Relax.call(
              ground.piece,
              ground.places,
              held: border == "held",
              pins: pinned(ground)
            ) do |_step, places|
              settle.call(places)
              going = yield(done += 1, Flatten::Relax.spacing(ground.piece, places), uv, island) && done != steps
            end
          settle.call(flat)
        end
        Job::Remap.reshaped(job, uv)
      end

      def spacing(job, island) = ground(job, island).then { |own| Flatten::Relax.spacing(own.piece, own.places) }

      def ground(job, island)
        measure = job.measures[island]
        Flatten::OnSheet.new(
          job.layout.uv_map,
          island,
          job.layout.points_px,
          job.sheet.px_to_uv,
          mirrored: measure.mirrored,
          px_per_unit: measure.density_px_per_mm * job.unit_mm
        )
      end

      def pinned(ground)
        wanted = pins.to_h { |vertex| [vertex, true] }
        held = border == "held" ? ground.piece.border.flatten : []
        (ground.vertices.each_index.select { |i| wanted[ground.vertices[i]] } + held).uniq
      end
    end
  end
end
