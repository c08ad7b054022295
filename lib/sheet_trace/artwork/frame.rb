# frozen_string_literal: true

module SheetTrace
  module Artwork
    # What a place answers to a content: a box of the sheet, and where in the content its texels lie. The content is a
    # rectangle, 0 to 1 across from its left and 0 to 1 down from its top.
    #
    # left_px, top_px, width_px, height_px [Integer] the box
    # texels [Numo::Int32, nil] n texels of the box, y * width_px + x, that have a place in the content; nil where the
    # box is the content's whole rectangle
    # places [#call, nil] takes a range of the n, gives two Numo::DFloat: where in the content they lie, across and down
    # coverage [Numo::DFloat, Float, nil] n: how much of the surface in each texel the content covers, 0 to 1; or 1.0
    # for all of it everywhere
    # covered_px [Array(Float, Float)] how many texels the content covers along its sides, root mean square
    # prepared [#call, nil] takes the content's image, gives what is laid in the frame instead
    # shown [Box, nil] the part of the box that is wanted; all of it if nil
    Frame =
      Struct.new(
        :left_px,
        :top_px,
        :width_px,
        :height_px,
        :texels,
        :places,
        :coverage,
        :covered_px,
        :prepared,
        :shown,
        keyword_init: true
      ) do
        # @param across [Numo::DFloat] n; down [Numo::DFloat] n: where in the content its texels lie
        # @return [Frame]
        def self.listed(across:, down:, **rest) =
          new(**rest, places: ->(some) { [across, down].map { |own| own[some] } })

        # @param frames [Array<Frame>] of one content, each listed, that have no texel in common
        # @return [Frame, nil] of what all of them cover; nil if there are none
        def self.joined(frames)
          return frames.first if frames.size < 2

          box = frames.map(&:box).reduce(:with)
          columns =
            frames.map { |frame| [frame.texels_in(box), *frame.places.call(0...frame.texels.size), frame.coverage] }
          texels, across, down, coverage = columns.transpose.map { |own| own.first.concatenate(*own.drop(1)) }
          rest = frames.first.to_h.slice(:covered_px, :prepared)
          listed(**box.to_h, **rest, texels: texels, across: across, down: down, coverage: coverage)
        end

        # @param other [Box] that it lies in
        # @return [Numo::Int32] n: the same texels of that
        def texels_in(other)
          lines = texels / width_px
          texels + (lines * (other.width_px - width_px)) + ((top_px - other.top_px) * other.width_px) +
            (left_px - other.left_px)
        end

        # @return [Boolean] whether the content lies straight and whole in the box
        def straight? = texels.nil?

        # @return [Box] all of it
        def box = Box.new(left_px, top_px, width_px, height_px)

        # @return [Box] the part that is wanted
        def part = shown || box

        # @param wanted [Box] of the sheet
        # @return [Frame] where it is straight, of what lies in that alone
        def limited(wanted) = straight? ? Frame.new(**to_h, shown: part.within(wanted)) : self

        # @return [Numo::UInt32] height x width px of the part that is wanted, transparent
        def blank = Numo::UInt32.zeros(part.height_px, part.width_px)

        # @param pixels [Numo::UInt32] as .blank
        # @return [Patch]
        def patch_of(pixels) = Patch.new(pixels: pixels, left_px: part.left_px, top_px: part.top_px)

        # @param image [Vips::Image] as large as the box, 8-bit sRGB with alpha
        # @return [Patch]
        def patch(image)
          image = image.crop(*part.seen_from(box).to_a) if part != box
          Patch.of_image(image, left_px: part.left_px, top_px: part.top_px)
        end
      end
  end
end
