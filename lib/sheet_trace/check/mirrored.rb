# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands that read backwards.
    module Mirrored
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        { "art" => "warning", "plain" => "hint" }.filter_map do |tag, severity|
          islands = subject.tagged(tag).select { |island| subject.measures[island].mirrored }
          next if islands.empty?

          places = islands.map { |island| Place.new(text: subject.names[island], islands: [island]) }
          Finding.new(
            code: "mirrored",
            severity: severity,
            message: "#{subject.name_list(islands)} #{islands.size == 1 ? "reads" : "read"} mirrored",
            meaning: "Lettering painted on the sheet comes out backwards there.",
            places: places,
            mend: Mend.new(label: "Reflect back", operation: "reflect_islands", parameters: { islands: islands })
          )
        end
      end
    end
  end
end
