# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands that are stretched more than their tag allows.
    module Stretch
      LIMITS = { "art" => 1.02, "plain" => 1.3 }.freeze

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        LIMITS.filter_map do |tag, limit|
          islands = subject.tagged(tag).select { |island| beyond?(subject.measures[island], tag) }
          next if islands.empty?

          islands = islands.sort_by { |island| -subject.measures[island].stretch_worst }
          Finding.new(
            code: "stretch",
            severity: "warning",
            places: islands.map { |island| place(subject, island) },
            message:
              "#{subject.name_list(islands)} #{islands.size == 1 ? "is" : "are"} stretched beyond #{limit}, the " \
                "limit of #{tag} islands",
            meaning: "Circles painted on the sheet become ovals on the model.",
            mend: Mend.new(label: "Give true shape", operation: "true_shape", parameters: { islands: islands })
          )
        end
      end

      # @param measure [Layout::IslandMeasure]
      # @return [Boolean] whether it is stretched more than islands with that tag may be
      def self.beyond?(measure, tag) = (measure.stretch_worst || 1.0) > LIMITS.fetch(tag)

      def self.place(subject, island)
        measure = subject.measures[island]
        Place.new(
          text:
            format(
              "%s: worst %.3f, mean %.3f",
              subject.names[island],
              measure.stretch_worst,
              measure.stretch_mean || measure.stretch_worst
            ),
          islands: [island],
          faces: [measure.worst_face].compact,
          numbers: {
            stretch_worst: measure.stretch_worst,
            stretch_mean: measure.stretch_mean
          }
        )
      end
      private_class_method :place
    end
  end
end
