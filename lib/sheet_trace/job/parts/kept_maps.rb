# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Layouts set aside under a name. They are of the model as it was then.
      module KeptMaps
        def self.default = []

        # Those that were kept before are as they were, and need not be read for it.
        def self.pack(value, packing)
          former = packing.former(:kept_maps)
          value.map do |kept|
            known = former&.first&.index { |other| other.equal?(kept) }
            known ? former.last[known] : { name: kept.name, **Layout.pack(kept.layout, packing) }
          end
        end

        def self.unpack(plain, unpacking) =
          plain.map { |map| KeptMap.new(map[:name]) { Layout.unpack(map, unpacking) } }
        def self.handed_on(value, _carry) = value
      end
    end
  end
end
