# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Layouts set aside under a name. They are of the model as it was then.
      module KeptMaps
        extend MapList

        def self.part = :kept_maps
        def self.handed_on(value, _carry) = value
      end
    end
  end
end
