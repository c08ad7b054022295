# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands that lie sideways or stand on their head.
    module NotUpright
      # Where model-up points further from the top of the sheet, an island lies sideways; further still, upside down.
      SIDEWAYS_RAD = Math::PI / 4
      UPSIDE_DOWN_RAD = 3 * Math::PI / 4
      private_constant :SIDEWAYS_RAD, :UPSIDE_DOWN_RAD

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        { "art" => "warning", "plain" => "hint" }.filter_map do |tag, severity|
          islands =
            subject.tagged(tag).select { |island| subject.measures[island].up_angle_rad.abs > SIDEWAYS_RAD + 1e-9 }
          next if islands.empty?

          Finding.new(
            code: "not_upright",
            severity: severity,
            places: islands.map { |island| place(subject, island) },
            message: "#{subject.name_list(islands)} #{islands.size == 1 ? "lies" : "lie"} sideways or upside down",
            meaning: "What is painted upright on the sheet stands on its side or its head on the model.",
            mend: Mend.new(label: "Turn upright", operation: "turn_upright", parameters: { islands: islands })
          )
        end
      end

      def self.place(subject, island)
        angle = subject.measures[island].up_angle_rad
        way = angle.abs >= UPSIDE_DOWN_RAD ? "upside down" : "sideways"
        degrees = angle * 180 / Math::PI
        Place.new(
          text: "#{subject.names[island]}: #{way}, #{degrees.round}°",
          islands: [island],
          numbers: {
            up_angle_deg: degrees
          }
        )
      end
      private_class_method :place
    end
  end
end
