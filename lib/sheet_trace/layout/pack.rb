# frozen_string_literal: true

module SheetTrace
  class Layout
    # Packs islands on a sheet by their true outlines: the largest first, each as far up and left as it fits, at the
    # largest common scale at which all do; from there they grow and push each other aside (Pack::Compact). Gutter and
    # margin are kept: in the first step outlines are taken as all the cells that they touch.
    # Source: bottom-left, as Pack::Grid. O(n * rows of cells) shifts of the whole grid an attempt.
    class Pack
      TURNS = %w[none quarter free].freeze
      # Attempts differ in the order in which islands are placed. With few islands more are tried; so many placings of
      # an island in all.
      ATTEMPTS = (1..12)
      PLACINGS = 300
      # Coarse cells along the longer side of the sheet.
      COARSE = 256
      # Of the sheet that islands mostly take, with their share of what lies between them.
      USUAL_SHARE = 0.7
      # Rows beyond the sheet's, so that what does not fit tells by how much.
      BEYOND = 1.5
      # Scales that are tried, and so many placings of an island in all: with few islands more.
      ROUNDS = (2..8)
      PLACINGS_BEFORE_COMPACTING = 120
      # Rounds that mostly do.
      USUAL_ROUNDS = 2
      # Of the time, until the scale is found and until islands have grown, where that is not the end.
      SHARES = [0.5, 0.8].freeze
      # Of the scale that bottom-left would try next.
      NEARLY = 0.99
      private_constant :COARSE, :USUAL_SHARE, :BEYOND, :ROUNDS, :USUAL_ROUNDS, :PLACINGS_BEFORE_COMPACTING
      private_constant :SHARES, :NEARLY

      # What is moved as one.
      #
      # islands [Array<Integer>]; lines [Array<Array>] as Outlines gives them; turns_rad [Array<Float>] clockwise,
      # that may be tried
      Unit = Struct.new(:islands, :lines, :turns_rad, keyword_init: true)

      # Where a unit lies: left and top of its box, and its bottom, px from the margin's corner.
      Place = Struct.new(:unit, :turn_rad, :left, :top, :bottom)
      private_constant :Place

      # layout [Layout]; scale [Float] of all that was packed; share_used [Float] of the sheet that lies under outlines
      Result = Struct.new(:layout, :scale, :share_used, keyword_init: true)

      # @param units [Integer] what is packed
      # @return [Integer] how many attempts are worth their time
      def self.attempts(units) = (PLACINGS / [units, 1].max).clamp(ATTEMPTS)

      # @param layout [Layout]
      # @param units [Array<Array<Integer>>] islands that are packed; those of one list are moved as one
      # @param gutter_px [Numeric]; margin_px [Numeric]
      # @param turn [String] of TURNS
      # @param upright [Array<Integer>] islands that are never turned
      # @param keep_scale [Boolean]
      # @param fixed [Array<Integer>] islands that stay where they are; reserved [Array<Array(Numeric, Numeric,
      #   Numeric, Numeric)>] left, top,
      #   width and height of rectangles to be left free, px
      # @param in_order [Boolean] whether units are placed in the order they are given in, and not the largest first
      # @param attempt [Integer] 0 and more, each another order
      # @return [Result]
      # @raise [LayoutError] if they don't fit; where: { islands: }
      # @raise [InputError] if the margin leaves no room; where: { margin_px: }
      def self.call(
        layout,
        units,
        gutter_px:,
        margin_px: 0,
        turn: "quarter",
        upright: [],
        keep_scale: false,
        fixed: [],
        reserved: [],
        in_order: false,
        attempt: 0
      )
        new(layout, units, gutter_px:, margin_px:, turn:, upright:, fixed:, reserved:, in_order:, attempt:).send(
          :packed,
          keep_scale
        )
      end

      def initialize(layout, units, gutter_px:, margin_px:, turn:, upright:, fixed:, reserved:, in_order:, attempt:)
        @layout = layout
        @gutter_px = gutter_px
        @margin_px = margin_px
        @inner = [layout.sheet.width_px, layout.sheet.height_px].map { |px| px - (2.0 * margin_px) }
        unless @inner.min.positive?
          raise InputError.new(
                  "a margin of #{margin_px} px leaves nothing of #{layout.sheet}",
                  where: {
                    margin_px: margin_px
                  }
                )
        end

        @outlines = Outlines.call(layout)
        held = upright.to_h { |island| [island, true] }
        @units =
          units
            .map { |islands| unit(islands, islands.any? { |island| held[island] } ? "none" : turn, units.size) }
            .reject { |unit| unit.lines.empty? }
        @obstacles =
          fixed.map { |island| @outlines[island] }.reject(&:empty?) + reserved.map { |box| Outlines.rectangle(*box) }
        @in_order = in_order
        @attempt = attempt
        @rounds = 0
        @shapes = {}
      end
      private_class_method :new

      private

      def packed(keep_scale)
        return result(1.0, []) if @units.empty?
        raise no_room if @gutter_px >= @inner.max && @units.size + @obstacles.size > 1

        cells = Cells.new(@inner, COARSE)
        if keep_scale || total_area.zero?
          places = places_at(1.0, cells)
          return result(1.0, places) if places && places.map(&:bottom).max <= cells.height_px

          raise LayoutError.new(
                  "#{@units.size} islands don't fit on #{@layout.sheet} at their present scale; let them be scaled, " \
                    "or take a larger sheet",
                  where: {
                    islands: @units.size
                  }
                )
        end

        @search = ScaleSearch.new(first_guess(cells))
        found = @in_order ? largest(cells, rounds(PLACINGS)) : grown(cells)
        raise no_room unless found

        result(*found)
      end

      # Where islands do not grow to what bottom-left would try next, it goes on trying.
      #
      # @return [Array(Float, Array<Place>), nil] as .largest
      def grown(cells)
        found = Progress.part(0, SHARES[0]) { largest(cells, rounds(PLACINGS_BEFORE_COMPACTING)) } or return
        first = Progress.part(*SHARES) { compacted(*found) }
        return first if first[0] > @search.guess * NEARLY

        Progress.part(SHARES[1], 1) do
          again = largest(cells, rounds(PLACINGS))
          again == found ? first : [first, compacted(*again)].max_by(&:first)
        end
      end

      # @return [Array(Float, Array<Place>)] as .largest
      def compacted(scale, places)
        shapes = places.map { |place| scaled(turned(place.unit, place.turn_rad), scale) }
        at = places.map { |place| [place.left, place.top] }
        blocks = @obstacles.map { |lines| from_margin(lines) }
        growth, moved =
          Compact.call(
            shapes + blocks.map { |lines| Turns.at_zero(lines) },
            at + blocks.map { |lines| Turns.corner(lines) },
            held: Array.new(shapes.size, false) + Array.new(blocks.size, true),
            size_px: @inner,
            gutter_px: @gutter_px
          )
        return scale, places if growth == 1

        [scale * growth, places.zip(moved).map { |place, corner| Place.new(place.unit, place.turn_rad, *corner) }]
      end

      def no_room
        LayoutError.new(
          "#{@units.size} islands don't fit on #{@layout.sheet} with #{@gutter_px} px between them; take a smaller " \
            "gutter or a larger sheet",
          where: {
            islands: @units.size
          }
        )
      end

      # @param rounds [Integer] that mostly do
      # @return [Array(Float, Array<Place>), nil] the largest scale at which all were found to fit, and where they lie
      def largest(cells, rounds)
        until @search.done?(rounds)
          scale = @search.guess
          places = places_at(scale, cells)
          @largest = [scale, places] if @search.tried(places && (places.map(&:bottom).max / cells.height_px))
        end
        @largest
      end

      def rounds(placings) = (placings / @units.size).clamp(ROUNDS)

      # By what islands mostly come to with half of the gutter and of a cell about them; what has next to no area, such
      # as an island that collapsed onto a line, by its length.
      def first_guess(cells)
        about = total_length * (@gutter_px + cells.fine_px) / 2
        room = @inner.reduce(:*) * USUAL_SHARE
        full = 2 * room / (about + Math.sqrt((about**2) + (4 * total_area * room)))
        [full, Math.hypot(*@inner) / longest].min
      end

      def longest
        @units
          .map do |unit|
            ends = unit.lines.flat_map { |x1, y1, x2, y2, _layers| [[x1, y1], [x2, y2]] }
            Math.hypot(*ends.transpose.map { |values| values.minmax.reduce(:-) })
          end
          .max
      end

      def total_length
        @units.sum { |unit| unit.lines.sum { |x1, y1, x2, y2, _layers| Math.hypot(x2 - x1, y2 - y1) } }
      end

      def total_area = @total_area ||= @units.sum { |unit| area(unit.lines) }

      def area(lines) = lines.sum { |x1, y1, x2, y2, layers| layers * ((x1 * y2) - (x2 * y1)) / 2 }.abs

      # @return [Array<Place>, nil]
      def places_at(scale, cells)
        grid = cells.grid(BEYOND, @gutter_px)
        @obstacles.each { |lines| block(grid, cells, lines) }
        @rounds += 1
        ordered(scale, cells).each_with_object([]) do |unit, places|
          Progress.tell_steps(@rounds - 1 + places.size.fdiv(@units.size), usual: USUAL_ROUNDS)
          found = best_place(grid, unit, scale, cells) or return nil
          turn, column, row = found
          bare = mask(unit, turn, scale, cells.fine_px)
          column, row = grid.slid(bare, column * Grid::FINE, row * Grid::FINE)
          grid.take(bare.grown(cells.reach(@gutter_px)), column, row)
          places << Place.new(unit, turn, *[column, row, row + bare.height].map { |fine| fine * cells.fine_px })
        end
      end

      # Of all turns the one that reaches least far down, and then least far to the right.
      def best_place(grid, unit, scale, cells)
        unit
          .turns_rad
          .filter_map do |turn|
            mask = mask(unit, turn, scale, cells.coarse_px)
            column, row = grid.place_for(mask)
            [turn, column, row, row + mask.height, column + mask.width] if row
          end
          .min_by { |found| found.last(2) }
      end

      def mask(unit, turn, scale, cell_px)
        Mask.of_lines(scaled(turned(unit, turn), scale / cell_px))
      end

      def scaled(lines, factor)
        lines.map { |x1, y1, x2, y2, layers| [x1 * factor, y1 * factor, x2 * factor, y2 * factor, layers] }
      end

      # The unit's lines turned, moved so that the least x and y are 0.
      def turned(unit, turn)
        @shapes[[unit.islands, turn]] ||= Turns.at_zero(Turns.turned(unit.lines, turn))
      end

      def ordered(scale, cells)
        return @units if @in_order

        random = Random.new(@attempt)
        sizes =
          @units.map do |unit|
            mask = mask(unit, unit.turns_rad.first, scale, cells.coarse_px)
            cells_taken = mask.rows.sum { |row| row.digits(1 << 30).sum { |digit| digit.to_s(2).count("1") } }
            [cells_taken, [mask.width, mask.height].max, mask.height, mask.width].fetch(
              @attempt,
              cells_taken * random.rand(0.5..1.5)
            )
          end
        @units.each_index.sort_by { |i| [-sizes[i], i] }.map { |i| @units[i] }
      end

      # What stays is in the way where it lies, whatever the grid.
      def block(grid, cells, lines)
        moved = scaled(from_margin(lines), 1 / cells.fine_px)
        left, top = Turns.corner(moved).map(&:floor)
        mask = Mask.of_lines(moved.map { |x1, y1, x2, y2, layers| [x1 - left, y1 - top, x2 - left, y2 - top, layers] })
        grid.take(mask.grown(cells.reach(@gutter_px)), left, top)
      end

      def from_margin(lines)
        lines.map { |x1, y1, x2, y2, layers| [*[x1, y1, x2, y2].map { |px| px - @margin_px }, layers] }
      end

      def unit(islands, turn, count)
        lines = islands.flat_map { |island| @outlines[island] }
        Unit.new(islands: islands, lines: lines, turns_rad: Turns.call(lines, turn, count))
      end

      def result(scale, places)
        layout =
          places.reduce(@layout) do |so_far, place|
            left, top = Turns.corner(Turns.turned(place.unit.lines, place.turn_rad))
            onto =
              Geometry::Affine.move(@margin_px + place.left, @margin_px + place.top) *
                Geometry::Affine.scale(scale, scale) * Geometry::Affine.move(-left, -top) *
                Geometry::Affine.turn(place.turn_rad)
            so_far.place(place.unit.islands, onto)
          end
        Result.new(layout: layout, scale: scale, share_used: share_used(scale))
      end

      def share_used(scale)
        rest = (0...@layout.uv_map.island_count).to_a - @units.flat_map(&:islands)
        ((total_area * scale * scale) + rest.sum { |island| area(@outlines[island]) }) /
          (@layout.sheet.width_px * @layout.sheet.height_px)
      end
    end
  end
end
