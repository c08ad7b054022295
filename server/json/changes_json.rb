# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Islands that lie otherwise than on a kept map, those that were cut anew first.
    module ChangesJson
      # @param changes [Array<SheetTrace::Layout::Changes::Change>]
      # @param names [Array<String>] one an island
      # @return [Array<Hash>]
      def self.call(changes, names)
        changes.sort_by { |change| change.cut_anew ? -Float::INFINITY : -change.moved_px }.map do |change|
          { name: names[change.island], cut_anew: change.cut_anew, moved_px: change.moved_px, turn_deg: change.turn_rad && (change.turn_rad * 180 / Math::PI), scale: change.scale,
            reflected: change.reflected }
        end
      end
    end
  end
end
