# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Takes a strip out of the picture and closes it up: a sill, a gap, a row that the model does not have.
      module LeaveOut
        extend Parameters

        one_of :way, %w[across down], "across: from one px to another from the left; down: from the top"
        whole :from_px, 0..100_000, label: "from"
        whole :to_px, 0..100_000, label: "to"

        PLACES = 2 # opposite corners

        # Across where the strip is higher than wide, or else down.
        def self.begun(size, places)
          left, top, right, bottom = Corrections.box(size, places)
          across = bottom - top > right - left
          { way: across ? "across" : "down", from_px: across ? left : top, to_px: across ? right : bottom }
        end

        # @return [String, nil] what is wrong with a strip of a picture of this size
        def self.problem(size, way:, from_px:, to_px:)
          length = size[way == "across" ? 0 : 1]
          return if from_px < to_px && to_px <= length && to_px - from_px < length

          "from #{from_px.inspect} to #{to_px.inspect} px is no strip of a picture of #{length} px"
        end

        def self.size(size, way:, from_px:, to_px:)
          gone = to_px - from_px
          way == "across" ? [size[0] - gone, size[1]] : [size[0], size[1] - gone]
        end

        def self.call(image, way:, from_px:, to_px:)
          across = way == "across"
          parts =
            [[0, from_px], [to_px, (across ? image.width : image.height) - to_px]].reject { |_at, length| length.zero? }
          parts
            .map do |at, length|
              across ? image.crop(at, 0, length, image.height) : image.crop(0, at, image.width, length)
            end
            .reduce { |first, second| first.join(second, across ? :horizontal : :vertical) }
        end
      end
    end
  end
end
