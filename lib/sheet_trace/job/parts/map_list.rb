# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # What a part does of itself where it is a list of layouts, each under a name.
      module MapList
        def default = []

        # Those that were kept before are as they were, and need not be read for it.
        def pack(value, packing)
          former = packing.former(part)
          value.map do |kept|
            known = former&.first&.index { |other| other.equal?(kept) }
            known ? former.last[known] : { name: kept.name, **Layout.pack(kept.layout, packing) }
          end
        end

        def unpack(plain, unpacking) = plain.map { |map| KeptMap.new(map[:name]) { Layout.unpack(map, unpacking) } }
      end
    end
  end
end
