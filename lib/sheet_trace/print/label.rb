# frozen_string_literal: true

module SheetTrace
  module Print
    # A label in true size with what a printer needs: the art with its bleed, where it is trimmed, what is safe within,
    # crop marks, the middle of its front, patches of colour, and what it is.
    class Label
      # Round the bleed.
      MARGIN_MM = 17.0
      CROP_MM = 5.0
      PATCH_MM = 5.0
      LINE_MM = 0.1
      TEXT_MM = 3.2
      # What presses mix from, and greys (common practice, no source).
      PATCHES = %w[#00aeef #ec008c #fff200 #000000 #ff0000 #00a651 #2e3192 #404040 #808080 #bfbfbf].freeze
      private_constant :MARGIN_MM, :CROP_MM, :PATCH_MM, :LINE_MM, :TEXT_MM, :PATCHES

      # @param loops [Array<Array<Array(Float, Float)>>] where it is trimmed, mm, y down, its box from 0, 0 on
      # @param size_mm [Array(Float, Float)] of that box
      # @param art [Array<Drawing::Picture, Drawing::Clipped>] of the box and the bleed round it, px; the box is at 0, 0
      # @param bleed_mm [Float]; safe_mm [Float] within the trim
      # @param overlap_mm [Float] by which the box is longer on its right than what is seen once it is joined
      # @param centre [Boolean] whether the middle of the front is marked
      # @param name [String] what it is
      # @param px_per_mm [Float] of the art
      # @return [Drawing::Scene]
      def self.call(**given) = new(**given).send(:scene)

      def initialize(loops:, size_mm:, art:, bleed_mm:, safe_mm:, overlap_mm:, centre:, name:, px_per_mm:)
        @loops = loops
        @size = size_mm
        @art = art
        @bleed = bleed_mm
        @safe = safe_mm
        @overlap = overlap_mm
        @centre = centre
        @name = name
        @scale = px_per_mm
        @corner = bleed_mm + MARGIN_MM
      end
      private_class_method :new

      private

      def scene
        sides = @size.map { |side| (side + (2 * @corner)) * @scale }
        groups = { "art" => art, "trim" => trim, "safe" => safe, "marks" => [*crops, *front, *join, *patches, words] }
        Drawing::Scene.new(
          width_px: sides[0],
          height_px: sides[1],
          background: Drawing::Color.parse("#ffffff"),
          groups: groups.map { |name, items| Drawing::Group.new(name: name, kind: name, items: items) }
        )
      end

      # px of a place of the box.
      def px(*place) = place.map { |mm| (mm + @corner) * @scale }
      def color(text) = Drawing::Color.parse(text)

      def art = @art.map { |item| item.moved(*px(0, 0)) }

      def line(lines, tint: "#000000", dash_mm: [], cutting: false)
        Drawing::Strokes.of(
          lines.map { |x0, y0, x1, y1| [*px(x0, y0), *px(x1, y1)] },
          line_px: LINE_MM * @scale,
          color: color(tint),
          dash_px: dash_mm.map { |mm| mm * @scale },
          cutting: cutting
        )
      end

      def round(loop_of) = loop_of.zip(loop_of.rotate).map(&:flatten)
      def trim = [line(@loops.flat_map { |own| round(own) }, tint: "#d6006c", cutting: true)]
      def safe =
        [
          line(
            @loops.flat_map { |own| round(Geometry::Offset.call(own, -@safe)) },
            tint: "#0077b6",
            dash_mm: [1.5, 1.0]
          )
        ]

      # Beside the corners of the box, outside the bleed.
      def crops
        near = @bleed + 1
        far = near + CROP_MM
        lines =
          [[0, -1], [@size[0], 1]].product([[0, -1], [@size[1], 1]])
            .flat_map do |(x, right), (y, down)|
              [[x + (right * near), y, x + (right * far), y], [x, y + (down * near), x, y + (down * far)]]
            end
        [line(lines)]
      end

      def front
        return [] unless @centre

        x = (@size[0] - @overlap) / 2
        reach = @bleed + 1 + CROP_MM
        marks =
          line([[x, -@bleed - 1, x, -reach], [x, @size[1] + @bleed + 1, x, @size[1] + reach]], dash_mm: [1.0, 0.6])
        [marks, text("centre front", x, -reach - 2)]
      end

      # Where one end comes to lie over the other.
      def join
        return [] unless @overlap.positive?

        x = @size[0] - @overlap
        [line([[x, 0, x, @size[1]]], tint: "#0077b6", dash_mm: [0.5, 0.5]), text("join", x, @size[1] + @bleed + 3)]
      end

      def patches
        top = @size[1] + @bleed + 6
        PATCHES.each_with_index.map do |tint, i|
          left = i * PATCH_MM
          corners = [[left, top], [left + PATCH_MM, top], [left + PATCH_MM, top + PATCH_MM], [left, top + PATCH_MM]]
          Drawing::Area.new(loops: [corners.map { |place| px(*place) }], color: color(tint))
        end
      end

      def words
        size = [TEXT_MM, (@size[0] + (2 * @bleed)) / Drawing::Words.width(@name)].min
        text(@name, @size[0] / 2, -@bleed - 14, size)
      end

      def text(said, x, y, size_mm = TEXT_MM * 0.8)
        left, top = px(x, y)
        Drawing::Words.new(text: said, x: left, y: top, size_px: size_mm * @scale, color: color("#000000"))
      end
    end
  end
end
