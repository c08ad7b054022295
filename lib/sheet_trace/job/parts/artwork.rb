# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Layers and editions: SheetTrace::Artwork::Stack.
      module Artwork
        def self.default = SheetTrace::Artwork::Stack.new
        def self.pack(value, _packing) = value.to_plain
        def self.unpack(plain, _unpacking) = SheetTrace::Artwork::Stack.from_plain(plain)
        def self.handed_on(value, carry) = value.handed_on(carry)
      end
    end
  end
end
