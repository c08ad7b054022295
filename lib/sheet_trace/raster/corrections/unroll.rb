# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Unrolls a label that was photographed on an upright cylinder, from far enough that lines of sight are parallel.
      # Source: the development of a cylinder: a place at the angle t round it lies r sin t beside the axis on the
      #   photo, and r t on the label.
      module Unroll
        extend Parameters

        number :left_px, -100_000..100_000, "where the cylinder's own sides are", label: "its left side"
        number :right_px, -100_000..100_000, label: "its right side"
        number :from_px,
               -100_000..100_000,
               "what of it is taken, from side to side; all that is seen well if nil",
               optional: true
        number :to_px, -100_000..100_000, optional: true
        number :sag_px,
               -100_000..100_000,
               "how much lower a level line lies in the middle than at the sides; above 0 seen from above",
               default: 0

        EDGE = 0.995 # share of the radius beyond which the surface is seen too much from the side
        private_constant :EDGE

        PLACES = 0

        # A cylinder as wide as the picture, seen a little from above.
        def self.begun((width, height), _places)
          {
            left_px: 0,
            right_px: width,
            from_px: (width * 0.05).round,
            to_px: (width * 0.95).round,
            sag_px: (height * 0.02).round
          }
        end

        # @return [String, nil] what is wrong with its sides
        def self.problem(_size, left_px:, right_px:, from_px:, to_px:, **)
          return "its right side must lie right of the left one" unless right_px > left_px

          low, high = span(left_px, right_px, from_px, to_px)
          "nothing of it lies between #{from_px.inspect} and #{to_px.inspect} px" unless high > low
        end

        def self.size(size, left_px:, right_px:, from_px:, to_px:, sag_px:)
          low, high = span(left_px, right_px, from_px, to_px)
          [[((high - low) * (right_px - left_px) / 2.0).round, 1].max, size[1] - sag_px.abs.ceil]
        end

        def self.call(image, left_px:, right_px:, from_px:, to_px:, sag_px:)
          width, height =
            size(
              [image.width, image.height],
              left_px: left_px,
              right_px: right_px,
              from_px: from_px,
              to_px: to_px,
              sag_px: sag_px
            )
          low, high = span(left_px, right_px, from_px, to_px)
          radius = (right_px - left_px) / 2.0
          angles = low + ((high - low) * (Numo::DFloat.new(width).seq + 0.5) / width)
          places = Numo::DFloat.zeros(height, width, 2)
          places[true, true, 0] = ((left_px + right_px) / 2.0) + (radius * Numo::NMath.sin(angles)).expand_dims(0)
          places[true, true, 1] = (Numo::DFloat.new(height).seq + 0.5).expand_dims(1) +
            (sag_px * Numo::NMath.cos(angles)).expand_dims(0) + [-sag_px, 0].max
          Corrections.resample(image, places)
        end

        # @return [Array(Float, Float)] angles, radians
        def self.span(left_px, right_px, from_px, to_px)
          middle = (left_px + right_px) / 2.0
          radius = (right_px - left_px) / 2.0
          [from_px || left_px, to_px || right_px].map { |px| Math.asin(((px - middle) / radius).clamp(-EDGE, EDGE)) }
        end
        private_class_method :span
      end
    end
  end
end
