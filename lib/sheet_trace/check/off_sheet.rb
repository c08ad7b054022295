# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands off the sheet, or across its border.
    module OffSheet
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        beyond = subject.layout.beyond_sheet_px if subject.islands.any?
        places = subject.layout.islands_off_sheet.map { |island| place(subject, island, beyond[island]) }
        return [] if places.empty?

        islands = places.flat_map(&:islands)
        [
          Finding.new(
            code: "off_sheet",
            severity: "error",
            message:
              "#{subject.name_list(islands)} #{islands.size == 1 ? "lies" : "lie"} off the sheet or across its border",
            meaning:
              "Only the sheet is exported: what lies off it is not painted, or shows what lies on the other side.",
            places: places,
            mend:
              Mend.new(label: "Bring onto the sheet", operation: "bring_onto_sheet", parameters: { islands: islands })
          )
        ]
      end

      def self.place(subject, island, out)
        sheet = subject.sheet
        left, top, right, bottom = subject.layout.boxes_px[island, true].to_a
        off = right <= 0 || bottom <= 0 || left >= sheet.width_px || top >= sheet.height_px
        Place.new(
          text: "#{subject.names[island]}: #{off ? "wholly off" : format("%.1f px across the border", out)}",
          islands: [island],
          numbers: {
            out_px: out
          }
        )
      end
      private_class_method :place
    end
  end
end
