# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Cuts strips off the sides.
      module Trim
        extend Parameters

        whole :left, 0..100_000, "px", default: 0
        whole :top, 0..100_000, "px", default: 0
        whole :right, 0..100_000, "px", default: 0
        whole :bottom, 0..100_000, "px", default: 0

        PLACES = 2 # opposite corners of what is kept

        def self.begun(size, places)
          left, top, right, bottom = Corrections.box(size, places)
          { left: left, top: top, right: size[0] - right, bottom: size[1] - bottom }
        end

        # @return [String, nil] what is wrong with the strips for a picture of this size
        def self.problem(size, left:, top:, right:, bottom:)
          return if size(size, left: left, top: top, right: right, bottom: bottom).min.positive?
          "nothing would be left of #{size.join(" x ")} px"
        end

        def self.size(size, left:, top:, right:, bottom:) = [size[0] - left - right, size[1] - top - bottom]

        def self.call(image, left:, top:, right:, bottom:)
          image.crop(left, top, *size([image.width, image.height], left: left, top: top, right: right, bottom: bottom))
        end
      end
    end
  end
end
