# frozen_string_literal: true

module SheetTrace
  module Trace
    # Tells which of several layouts a picture was painted on: paint changes along the islands' borders of that one, or
    # its guide was left in; and beside the islands there is little paint, unless the painter went over it all.
    class Recognise
      # code [String, nil] of the layout; nil where it can't be told
      # certainty [Float] 0 to 1: on how much of the borders the picture changes beyond what chance puts there, and how
      #   clearly it speaks against the next layout
      # by [String, nil] "code" where the file says it, "lines" where its picture does
      Found =
        Struct.new(:code, :certainty, :by, keyword_init: true) do
          def initialize(code: nil, certainty: 0.0, by: nil)
            super
            freeze
          end
        end

      SIDE_PX = 512 # of the picture that is looked at
      PROPORTION = 0.01 # by which sides may differ
      # Where lines are laid for comparison: chance puts as many changes there.
      SHIFTS = [5, 9, 14].flat_map { |by| [[by, 0], [-by, 0], [0, by], [0, -by], [by, -by], [-by, by]] }.freeze
      ALL = 0.5 # of the lines with changes, beyond chance: as many as a picture that is painted all over has
      CHANCE = 0.12 # as many that it may be nothing
      SURE = 0.3 # certainty from which on it is taken
      OUTSIDE = 0.12 # of the paint, beside the islands
      BESIDE = 0.03 # of the sheet's side: so far from an island counts as bleed
      PAINTED = 0.9 # of the sheet: from here on paint beside the islands tells nothing
      private_constant :SIDE_PX, :PROPORTION, :SHIFTS, :ALL, :CHANCE, :SURE, :OUTSIDE, :BESIDE, :PAINTED

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param layouts [Hash{String => Layout}] by their codes
      # @param code [String, nil] that the picture's file says
      # @return [Found]
      def self.call(image, layouts, code: nil)
        return Found.new(code: code, certainty: 1.0, by: "code") if code && layouts.key?(code)

        own = image.width.fdiv(image.height)
        near =
          layouts.select do |_code, layout|
            (Math.log(layout.sheet.width_px.fdiv(layout.sheet.height_px)) - Math.log(own)).abs < PROPORTION
          end
        near.empty? ? Found.new : new(image, near).send(:found)
      end

      def initialize(image, layouts)
        scale = SIDE_PX.fdiv([image.width, image.height].max)
        @width = [(image.width * scale).round, 1].max
        @height = [(image.height * scale).round, 1].max
        @image =
          image
            .premultiply
            .resize(@width.fdiv(image.width), vscale: @height.fdiv(image.height), kernel: :linear)
            .unpremultiply
        @layouts = layouts
      end
      private_class_method :new

      private

      def found
        scores = @layouts.keys.to_h { |code| [code, score(code)] }
        best, next_best = scores.keys.sort_by { |code| -scores[code] }
        certainty = (scores[best] / ALL).clamp(0.0, 1.0)
        certainty *= clearness(best, next_best) if next_best
        return Found.new(certainty: certainty) if certainty < SURE || outside(best) > OUTSIDE

        Found.new(code: best, certainty: certainty, by: "lines")
      end

      # The share of a layout's lines on which the picture changes, beyond what it has beside them: 1 where all do.
      def score(code) = beyond_chance(lines(code))

      # @param pixels [Numo::Int64]
      def beyond_chance(pixels)
        return 0.0 if pixels.empty?

        beside = SHIFTS.map { |right, down| changes[shifted(pixels, right, down)].mean }.sum / SHIFTS.size
        (changes[pixels].mean - beside) / [1 - beside, Float::MIN].max
      end

      # How clearly the lines that only one of two layouts has speak for the first, 0 to 1. Where neither's do they lie
      # in the same way under all that is painted, and either will do.
      def clearness(first, second)
        for_it, against = [[first, second], [second, first]].map { |one, two| [beyond_chance(only(one, two)), 0.0].max }
        return 1.0 if [for_it, against].max < CHANCE

        ((for_it - against) / (for_it + against)).clamp(0.0, 1.0)
      end

      def only(one, two)
        taken = mask(two, spread: 2)
        lines(one)[taken[lines(one)].eq(0).where]
      end

      # @return [Numo::DFloat] height * width: how much the picture changes at a px or beside it, 0 to 1
      def changes
        @changes ||=
          begin
            values = bands
            slopes = Numo::DFloat.zeros(@height, @width)
            across = (values[true, 1.., true] - values[true, 0...-1, true]).abs.sum(axis: 2)
            down = (values[1.., true, true] - values[0...-1, true, true]).abs.sum(axis: 2)
            slopes[true, 0...-1] += across
            slopes[0...-1, true] += down
            widened(slopes / (slopes + [slopes.mean, 1.0].max)).flatten
          end
      end

      # @return [Numo::DFloat] height x width x 4: CIE L*a*b* over grey, and alpha in hundredths
      def bands
        flat = @image.flatten(background: [128, 128, 128]).cast(:uchar).copy(interpretation: :srgb).colourspace(:lab)
        joined = flat.bandjoin(@image[3] * (100.0 / 255)).cast(:float)
        Numo::DFloat.cast(Numo::SFloat.from_binary(joined.write_to_memory, [@height, @width, 4]))
      end

      # The largest of each px and its neighbours.
      def widened(values)
        2.times do |axis|
          size = values.shape[axis]
          low, high = [0...size - 1, 1...size].map { |range| axis.zero? ? [range, true] : [true, range] }
          wide = values.copy
          wide[*low] = Numo::DFloat.maximum(wide[*low], values[*high])
          wide[*high] = Numo::DFloat.maximum(wide[*high], values[*low])
          values = wide
        end
        values
      end

      # @return [Numo::Int64] px, y * width + x, of the islands' borders
      def lines(code)
        (@lines ||= {})[code] ||= begin
          image = Template.call(@layouts[code], size: size, edges: "outline", hard: true).to_image(hard: true)
          Numo::UInt8.from_binary(image[3].write_to_memory).gt(0).where
        end
      end

      def size = Layout::Sheet.new(width_px: @width, height_px: @height)

      def shifted(pixels, right, down)
        y = pixels / @width
        x = pixels - (y * @width)
        ((y + down).clip(0, @height - 1) * @width) + (x + right).clip(0, @width - 1)
      end

      # @return [Numo::UInt8] height * width, 1 on the lines and as near to them
      def mask(code, spread:)
        marks = Numo::DFloat.zeros(@height * @width)
        marks[lines(code)] = 1
        marks = marks.reshape(@height, @width)
        spread.times { marks = widened(marks) }
        Numo::UInt8.cast(marks.flatten)
      end

      # @return [Float] the share of the paint that lies beside the islands; 0 where all of the sheet is painted
      def outside(code)
        painted = painted_px
        share = painted.size.fdiv(@width * @height)
        return 0.0 if painted.empty? || share > PAINTED

        near = Numo::UInt8.zeros(@width * @height)
        map = texel_map(code)
        near[map.texels] = 1
        targets, = map.bleed((BESIDE * [@width, @height].max).ceil)
        near[targets] = 1 unless targets.empty?
        near[painted].eq(0).count.fdiv(painted.size)
      end

      # What is not transparent; of a picture that is opaque, what is not of the colour that most of its rim has.
      def painted_px
        values = Numo::UInt8.from_binary(@image.cast(:uchar).write_to_memory).reshape(@height * @width, 4)
        alpha = values[true, 3]
        return alpha.gt(128).where if alpha.lt(128).any?

        colors = Numo::Int32.cast(values[true, 0..2])
        rim = colors.reshape(@height, @width, 3).then { |all| [*all[0, true, true].to_a, *all[-1, true, true].to_a] }
        ground = rim.tally.max_by(&:last).first
        (colors - Numo::Int32.cast(ground)).abs.max(axis: 1).gt(24).where
      end

      def texel_map(code)
        layout = @layouts[code]
        Raster::TexelMap.call(
          size.to_px(layout.points_uv),
          layout.uv_map.triangles.points,
          width_px: @width,
          height_px: @height
        )
      end
    end
  end
end
