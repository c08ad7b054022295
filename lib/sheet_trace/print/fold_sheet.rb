# frozen_string_literal: true

module SheetTrace
  module Print
    # A flat net in true size, to be cut out and folded: its outline, its folds, a tab to be glued on one side of each
    # pair that meets, and letters that say what meets what.
    class FoldSheet
      MARGIN_MM = 12.0
      TAB_MM = 8.0
      LINE_MM = 0.25
      TEXT_MM = 4.5
      # How far a tab's ends are drawn in, as a share of its depth.
      DRAWN_IN = 0.7
      private_constant :MARGIN_MM, :TAB_MM, :LINE_MM, :TEXT_MM, :DRAWN_IN

      # @param panels [Array<Array<Array(Float, Float)>>] outlines of the faces, mm, y down, their box from 0, 0 on
      # @param sides [Array<Hash{Symbol => Object}>] of the outline: ends: both, mm; meets: number of the side that it
      #   is glued to, or nil
      # @param folds [Array<Array(Float, Float, Float, Float)>] mm
      # @param names [Array<Array(String, Array(Float, Float))>] of panels, and the middles of these
      # @param size_mm [Array(Float, Float)]
      # @param art [Array<Drawing::Picture, Drawing::Clipped>] of the box, px
      # @param px_per_mm [Float] of it
      # @param title [String]
      # @return [Drawing::Scene]
      def self.call(**given) = new(**given).send(:scene)

      def initialize(panels:, sides:, folds:, names:, size_mm:, art:, px_per_mm:, title:)
        @panels = panels
        @sides = sides
        @folds = folds
        @names = names
        @size = size_mm
        @art = art
        @scale = px_per_mm
        @title = title
        @corner = MARGIN_MM + TAB_MM
      end
      private_class_method :new

      private

      def scene
        width, height = @size.map { |side| (side + (2 * @corner)) * @scale }
        groups = {
          "tabs" => tabs,
          "art" => art,
          "cut" => [cut],
          "folds" => [folded],
          "names" => [*letters, *names, title]
        }
        Drawing::Scene.new(
          width_px: width,
          height_px: height,
          background: Drawing::Color.parse("#ffffff"),
          groups: groups.map { |name, items| Drawing::Group.new(name: name, kind: name, items: items) }
        )
      end

      def px(*place) = place.map { |mm| (mm + @corner) * @scale }
      def black = Drawing::Color.parse("#000000")

      def strokes(lines, **rest)
        Drawing::Strokes.of(
          lines.map { |x0, y0, x1, y1| [*px(x0, y0), *px(x1, y1)] },
          line_px: LINE_MM * @scale,
          color: black,
          **rest
        )
      end

      def art = @art.map { |item| item.moved(*px(0, 0)) }

      # Sides with a tab are folded there, and cut round the tab.
      def cut
        plain = @sides.each_index.reject { |i| tabbed[i] }.map { |i| @sides[i][:ends].flatten }
        round = tabbed.values.flat_map { |corners| corners.each_cons(2).map(&:flatten) }
        strokes(plain + round, cutting: true)
      end

      def folded
        strokes(@folds + tabbed.keys.map { |i| @sides[i][:ends].flatten }, dash_px: [2 * @scale, 1.2 * @scale])
      end

      def tabs
        tabbed.values.map do |corners|
          Drawing::Area.new(loops: [corners.map { |place| px(*place) }], color: Drawing::Color.parse("#eeeae0"))
        end
      end

      # @return [Hash{Integer => Array}] side => four corners of its tab: on the side that has more room
      def tabbed
        @tabbed ||=
          @sides
            .each_index
            .filter_map do |i|
              meets = @sides[i][:meets]
              next if meets.nil? || meets < i

              [i, meets].map { |side| [side, tab(side)] }.min_by { |_side, corners| covered(corners) }
            end
            .to_h
      end

      def tab(side)
        (ax, ay), (bx, by) = @sides[side][:ends]
        length = Math.hypot(bx - ax, by - ay)
        along = [(bx - ax) / length, (by - ay) / length]
        out = outwards(side, along)
        deep = [TAB_MM, length / 3].min
        inner = deep * DRAWN_IN
        lift = ->(x, y, far) { [x + (out[0] * deep) + (along[0] * far), y + (out[1] * deep) + (along[1] * far)] }
        [[ax, ay], lift.call(ax, ay, inner), lift.call(bx, by, -inner), [bx, by]]
      end

      # Away from the panel that the side is of.
      def outwards(side, along)
        (ax, ay), (bx, by) = @sides[side][:ends]
        out = [along[1], -along[0]]
        probe = [((ax + bx) / 2) + (out[0] * 0.01), ((ay + by) / 2) + (out[1] * 0.01)]
        inside?(probe) ? out.map(&:-@) : out
      end

      # How many of some places of a tab lie on panels.
      def covered(corners)
        places =
          [0.25, 0.5, 0.75].product([0.3, 0.9])
            .map do |across, up|
              low = mix(corners[0], corners[3], across)
              mix(low, mix(corners[1], corners[2], across), up)
            end
        places.count { |place| inside?(place) }
      end

      def mix(from, to, share) = from.zip(to).map { |a, b| a + (share * (b - a)) }
      def inside?((x, y)) = @panels.any? { |panel| Fit::IntoCell.within?(panel, x, y) }

      # The same letter on both sides that meet.
      def letters
        number = -1
        tabbed.flat_map do |i, corners|
          number += 1
          letter = number < 26 ? (97 + number).chr : "#{(97 + (number % 26)).chr}#{number / 26}"
          partner = @sides[i][:meets]
          middle = mix(mix(corners[0], corners[3], 0.5), mix(corners[1], corners[2], 0.5), 0.5)
          [text(letter, *middle, TEXT_MM * 0.7), text(letter, *within(partner), TEXT_MM * 0.7)]
        end
      end

      # Just inside a side.
      def within(side)
        (ax, ay), (bx, by) = @sides[side][:ends]
        length = Math.hypot(bx - ax, by - ay)
        out = outwards(side, [(bx - ax) / length, (by - ay) / length])
        [((ax + bx) / 2) - (out[0] * 3), ((ay + by) / 2) - (out[1] * 3)]
      end

      def names = @names.map { |name, (x, y)| text(name, x, y, TEXT_MM) }

      def title
        size = [TEXT_MM * 0.8, (@size[0] + @corner) / Drawing::Words.width(@title)].min
        text(@title, @size[0] / 2, -@corner + 5, size)
      end

      def text(said, x, y, size_mm)
        left, top = px(x, y)
        Drawing::Words.new(
          text: said,
          x: left,
          y: top,
          size_px: size_mm * @scale,
          color: black,
          halo: Drawing::Color.parse("#ffffff")
        )
      end
    end
  end
end
