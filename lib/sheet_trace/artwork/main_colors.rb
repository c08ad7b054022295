# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The colours that take up most of a picture, as they are in it: colours that are much alike count as their most
    # frequent one.
    module MainColors
      # Difference of colour (CIE 1976) below which two are alike.
      ALIKE = 14.0
      # Beyond so many texels, every second row and column is left out, and again.
      MOST_PX = 1_000_000
      # So many of the most frequent colours are compared.
      COMPARED = 2000
      private_constant :ALIKE, :MOST_PX, :COMPARED

      # @param image [Vips::Image] 8-bit sRGB with alpha; what is transparent does not count
      # @param most [Integer]
      # @return [Array<String>] #rrggbb, the one that takes up most first
      def self.call(image, most: 8)
        counted = frequent(thinned(image))
        labs = counted.map { |color, _count| Fit::Palette.lab(color.map { |level| level / 255.0 }) }
        heads =
          counted
            .each_index
            .with_object([]) do |i, found|
              found << i unless found.any? { |head| difference(labs[head], labs[i]) < ALIKE }
            end
        shares = heads.to_h { |head| [head, 0] }
        counted.each_with_index do |(_, count), i|
          shares[heads.min_by { |head| difference(labs[head], labs[i]) }] += count
        end
        heads.max_by(most) { |head| shares[head] }.map { |head| format("#%02x%02x%02x", *counted[head].first) }
      end

      def self.thinned(image)
        step = Math.sqrt(image.width * image.height / MOST_PX.to_f).ceil.clamp(1, nil)
        step > 1 ? image.subsample(step, step) : image
      end

      # @return [Array<Array(Array<Integer>, Integer)>] colours and how many texels have them, the most frequent first
      def self.frequent(image)
        pixels = Picture.pixels(image).reshape(image.width * image.height, 4)
        seen = pixels[true, 3].ge(128).where
        return [] if seen.empty?

        packed = Numo::Int64.cast(pixels[seen, 0..2]).dot(Numo::Int64[65_536, 256, 1])
        packed
          .to_a
          .tally
          .max_by(COMPARED) { |color, count| [count, -color] }
          .map { |color, count| [[color >> 16, (color >> 8) & 255, color & 255], count] }
      end

      def self.difference(first, other) = Math.sqrt(first.zip(other).sum { |a, b| (a - b)**2 })
      private_class_method :thinned, :frequent, :difference
    end
  end
end
