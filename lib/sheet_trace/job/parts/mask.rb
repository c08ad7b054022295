# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # What the mask beside the texture is made of: SheetTrace::Artwork::MaskPicture, or nil.
      module Mask
        extend AsItIs

        def self.default = nil
        def self.pack(value, _packing) = value&.to_h
        def self.unpack(plain, _unpacking) = plain && SheetTrace::Artwork::MaskPicture.new(**plain)
      end
    end
  end
end
