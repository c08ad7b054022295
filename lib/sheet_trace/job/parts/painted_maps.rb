# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Layouts that skins were painted on which are held to the model. They are of the model as it is now.
      module PaintedMaps
        extend MapList

        def self.part = :painted_maps

        def self.handed_on(value, carry)
          value.map { |map| carry.same_faces? ? map : KeptMap.new(map.name) { carry.layout(map.layout) } }
        end
      end
    end
  end
end
