# frozen_string_literal: true

module SheetTrace
  module Operations
    # Evens out islands where they lie, step by step: spacing on the sheet comes nearer to true spacing on the model.
    #
    # islands [Array<Integer>]; border [String] "free" or "held"
    # pins [Array<Integer>] vertices of the mesh that stay where they are, to the bit
    # steps [Integer, nil] at the most, over all islands; nil as many as bring them to rest
    Relax = Struct.new(:islands, :border, :pins, :steps, keyword_init: true) do
      def initialize(islands:, border: "free", pins: [], steps: nil)
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands), Checks.one_of(border, "border", %w[free held]), pins == [] ? nil : Checks.vertices(job, pins),
         Checks.optional(steps, "steps", 1..Relax::MOST_STEPS)].compact
      end

      def apply(job) = watch(job) { true }

      # @yieldparam step [Integer] 1, 2 ... over all islands
      # @yieldparam spacing [Float] how far spacing on it is from true spacing, as Flatten::Relax.spacing has it
      # @yieldparam points_uv [Numo::DFloat] P x 2, so far; a false answer stops
      # @return [Job]
      def watch(job)
        uv = job.layout.points_uv.copy
        done = 0
        going = true
        islands.each do |island|
          break unless going

          ground = ground(job, island)
          settle = ->(places) { ground.write(uv, places, stay: pinned(ground)) }
          flat = Flatten::Relax.call(ground.piece, ground.places, held: border == "held", pins: pinned(ground)) do |_step, places|
            settle.call(places)
            going = yield(done += 1, Flatten::Relax.spacing(ground.piece, places), uv) && done != steps
          end
          settle.call(flat)
        end
        Job::Remap.reshaped(job, uv)
      end

      def describe(job, after)
        spacing = [job, after].map { |one| islands.map { |island| ground(one, island).then { |own| Flatten::Relax.spacing(own.piece, own.places) } }.max }
        stretch = [job, after].map { |one| one.measures.values_at(*islands).map { |measure| measure.stretch_mean || Float::INFINITY }.max }
        told = [spacing, stretch].map { |pair| pair.map { |value| format("%.3f", value) }.join(" -> ") }
        "#{Words.islands(job, islands)} relaxed with #{border == "held" ? "the border held" : "a free border"}: spacing off by #{told[0]}, mean stretch #{told[1]}"
      end

      private

      def ground(job, island)
        measure = job.measures[island]
        Flatten::OnSheet.new(job.layout.uv_map, island, job.layout.points_px, job.sheet.px_to_uv, mirrored: measure.mirrored, px_per_unit: measure.density_px_per_mm * job.unit_mm)
      end

      def pinned(ground)
        wanted = pins.to_h { |vertex| [vertex, true] }
        held = border == "held" ? ground.piece.border.flatten : []
        (ground.vertices.each_index.select { |i| wanted[ground.vertices[i]] } + held).uniq
      end
    end

    # More steps than any that is watched takes.
    class Relax
      MOST_STEPS = 100_000
    end
  end
end
