# frozen_string_literal: true

module SheetTrace
  module Check
    # Art islands that are sharper or coarser than the rest, their weights taken into account.
    module Density
      TOLERANCE = 0.05

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        art = subject.tagged("art").select { |island| subject.measures[island].density_px_per_mm.positive? }
        return [] if art.size < 2

        densities = art.map { |island| subject.measures[island].density_px_per_mm / subject.plan.weight(island) }
        median = median(densities)
        off = art.zip(densities).select { |_island, density| ((density / median) - 1).abs > TOLERANCE }
        return [] if off.empty?

        places = off.map { |island, density| place(subject, island, density, median) }
        message =
          "#{subject.name_list(off.map(&:first))} #{off.size == 1 ? "is" : "are"} not at #{format("%.2f", median)} " \
            "px/mm like the rest"
        [
          Finding.new(
            code: "density",
            severity: "warning",
            message: message,
            meaning: "Coarse beside fine catches the eye.",
            places: places,
            mend: mend(subject, off.map(&:first), median)
          )
        ]
      end

      def self.mend(subject, islands, median)
        if islands.any? { |island| subject.plan.weight(island) != 1 }
          return Mend.new(label: "Bring all to their weights", operation: "equalise", parameters: {})
        end

        Mend.new(
          label: format("Scale to %.2f px/mm", median),
          operation: "match_density",
          parameters: {
            islands: islands,
            density_px_per_mm: median
          }
        )
      end

      def self.place(subject, island, density, median)
        Place.new(
          text: format("%s: %.2f px/mm, %+.0f %%", subject.names[island], density, ((density / median) - 1) * 100),
          islands: [island],
          numbers: {
            density_px_per_mm: density,
            median_px_per_mm: median
          }
        )
      end

      def self.median(values)
        sorted = values.sort
        (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2
      end
      private_class_method :mend, :place, :median
    end
  end
end
