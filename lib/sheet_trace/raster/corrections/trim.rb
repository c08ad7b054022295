# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Cuts strips off the sides.
      module Trim
        # @param left, top, right, bottom [Integer] px
        def self.check(size, left: 0, top: 0, right: 0, bottom: 0)
          return "give whole px from 0 up" unless [left, top, right, bottom].all? { |px| px.is_a?(Integer) && px >= 0 }

          "nothing would be left of #{size.join(" x ")} px" unless size(size, left: left, top: top, right: right, bottom: bottom).min.positive?
        end

        def self.size(size, left: 0, top: 0, right: 0, bottom: 0) = [size[0] - left - right, size[1] - top - bottom]

        def self.call(image, left: 0, top: 0, right: 0, bottom: 0)
          image.crop(left, top, *size([image.width, image.height], left: left, top: top, right: right, bottom: bottom))
        end
      end
    end
  end
end
