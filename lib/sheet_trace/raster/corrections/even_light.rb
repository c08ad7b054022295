# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Evens out light that falls off over a photo: each px is brought by as much as its wide surroundings differ from the mean.
      # Source: common practice (dividing by a much blurred copy), no source.
      module EvenLight
        # @param radius [Float] how wide the surroundings are, as a share of the longer side
        def self.check(_size, radius: 0.15)
          "radius is #{radius.inspect}; give a share from 0.02 to 1" unless radius.is_a?(Numeric) && radius.between?(0.02, 1)
        end

        def self.size(size, **) = size

        def self.call(image, radius: 0.15)
          colors = image.extract_band(0, n: 3)
          grey = colors.colourspace(:b_w).extract_band(0).cast(:float) + 1
          scale = [64.0 / [image.width, image.height].max, 1.0].min
          small = grey.resize(scale)
          # Wider than the picture by what is blurred, its border carried on, so that the border is not pulled towards black.
          reach = [(radius * [small.width, small.height].max * 2).ceil, 1].max
          around = small.embed(reach, reach, small.width + (2 * reach), small.height + (2 * reach), extend: :mirror)
          light = around.gaussblur(reach / 2.0, precision: :float).crop(reach, reach, small.width, small.height)
          wide = light.resize(image.width.fdiv(light.width), vscale: image.height.fdiv(light.height), kernel: :linear)
          wide = wide.embed(0, 0, image.width, image.height, extend: :copy)
          even = colors.cast(:float) * (wide**-1 * grey.avg)
          (even > 255).ifthenelse(255, even).rint.cast(:uchar).bandjoin(image.extract_band(3)).copy(interpretation: :srgb)
        end
      end
    end
  end
end
