# frozen_string_literal: true

module SheetTrace
  module Check
    # Labels on islands that share their place with a reflected twin: what is painted for one comes out backwards on
    # the other.
    module LetteringOnTwins
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        stacks =
          Layout::Stacks
            .of(subject.layout, subject.labels.keys)
            .select { |stack| stack.map { |island| subject.measures[island].mirrored }.uniq.size > 1 }
        return [] if stacks.empty?

        islands = stacks.flatten.select { |island| subject.labels.key?(island) }
        places =
          islands.map do |island|
            Place.new(
              text: "#{subject.labels[island].join(", ")} on #{subject.names[island]}",
              islands: stacks.find { |stack| stack.include?(island) }
            )
          end
        [
          Finding.new(
            code: "lettering_on_twins",
            severity: "warning",
            message: "#{Check.count(islands.size, "label lies", "labels lie")} on reflected twins",
            meaning: "Twins share their paint: on the reflected one the label shows too, and reads backwards.",
            places: places,
            mend: Mend.new(label: "Unstack", operation: "separate_islands", parameters: { islands: islands })
          )
        ]
      end
    end
  end
end
