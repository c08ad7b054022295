# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # How the art is raised: SheetTrace::Artwork::Relief, or nil.
      module Relief
        extend AsItIs

        def self.default = nil
        def self.pack(value, _packing) = value&.to_h
        def self.unpack(plain, _unpacking) = plain && SheetTrace::Artwork::Relief.new(**plain)
      end
    end
  end
end
