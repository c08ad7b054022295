# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Evens out light that falls off over a photo: each px is brought by as much as its wide surroundings differ
      # from the mean.
      # Source: common practice (dividing by a much blurred copy), no source.
      module EvenLight
        extend Parameters

        number :radius, 0.02..1, "how wide the surroundings are, as a share of the longer side", default: 0.15

        PLACES = 0

        def self.begun(_size, _places) = filled({})

        def self.size(size, **) = size

        def self.call(image, radius:)
          colors = image.extract_band(0, n: 3)
          grey = colors.colourspace(:b_w).extract_band(0).cast(:float) + 1
          even = colors.cast(:float) * ((light(grey, radius)**-1) * grey.avg)
          (even > 255)
            .ifthenelse(255, even)
            .rint
            .cast(:uchar)
            .bandjoin(image.extract_band(3))
            .copy(interpretation: :srgb)
        end

        # The grey of the surroundings of each px, worked out on a small copy that is carried on beyond its border:
        # blurring would pull it towards black.
        def self.light(grey, radius)
          small = grey.resize([64.0 / [grey.width, grey.height].max, 1.0].min)
          reach = [(radius * [small.width, small.height].max * 2).ceil, 1].max
          around = small.embed(reach, reach, small.width + (2 * reach), small.height + (2 * reach), extend: :mirror)
          blurred = around.gaussblur(reach / 2.0, precision: :float).crop(reach, reach, small.width, small.height)
          blurred.resize(grey.width.fdiv(small.width), vscale: grey.height.fdiv(small.height), kernel: :linear).embed(
            0,
            0,
            grey.width,
            grey.height,
            extend: :copy
          )
        end
        private_class_method :light
      end
    end
  end
end
