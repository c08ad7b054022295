# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Colours to paint with: SheetTrace::Artwork::Swatch.
      module Palette
        extend AsItIs

        def self.default = []
        def self.pack(value, _packing) = value.map(&:to_h)
        def self.unpack(plain, _unpacking) = plain.map { |swatch| SheetTrace::Artwork::Swatch.new(**swatch) }
      end
    end
  end
end
