# frozen_string_literal: true

module SheetTrace
  module Fit
    # Looks along the rims of islands in cells: whether they stay as far inside as wanted, and whether a rim of
    # another colour is sampled there, at the
    # sheet's size and in copies reduced to a half, a quarter and an eighth.
    module BorderWatch
      REDUCED = [1, 2, 4, 8].freeze
      DIFFERS = 24 # 0 to 255, of any channel
      CLOSE = 1e-6 # of px, that rounding may bring about
      STEP_PX = 0.5 # along the rim, px of the picture
      NEAR = 1e-6
      private_constant :STEP_PX, :NEAR

      # island [Integer]; cell [Integer] that it lies in, or the first of them; inside_px [Float] how far inside the
      # cell it stays, px of the sheet; below 0 where it juts out
      # rims [Hash{Integer => Float}] by reduction: the share of the rim that samples another colour
      Seen =
        Struct.new(:island, :cell, :inside_px, :rims, keyword_init: true) do
          # @return [Integer, nil] the least reduction at which a rim shows
          def rim_from = rims.find { |_reduced, share| share.positive? }&.first

          # @param inset_px [Numeric] wanted
          # @return [Boolean] whether it comes nearer to the border than that
          def near?(inset_px) = inside_px < inset_px - BorderWatch::CLOSE
        end

      # @param layout [Layout]; underlay [Underlay]
      # @param pixels [Numo::UInt8] h x w x 4 of the corrected picture
      # @return [Array<Seen>] one for each island whose faces lie in cells; a net may lie in several, between which
      #   there is no border
      def self.call(layout, underlay, pixels)
        to_picture = underlay.to_sheet(layout.sheet).inverse
        homes = homes(layout, underlay, to_picture)
        homes.map { |island, cells| seen(layout, island, underlay, cells, pixels, to_picture) }
      end

      # @return [Hash{Integer => Array<Integer>}] island => the smallest cells that the middles of its faces lie in
      def self.homes(layout, underlay, to_picture)
        map = layout.uv_map
        middles = middles(map, to_picture.apply(layout.points_px))
        order = underlay.cells.each_index.sort_by { |i| underlay.cells[i].width * underlay.cells[i].height }
        map
          .face_mapped
          .where
          .to_a
          .each_with_object(Hash.new { |all, island| all[island] = [] }) do |face, found|
            x, y = middles[face, true].to_a
            home =
              order.find do |i|
                underlay.cells[i].box.then do |left, top, right, bottom|
                  x.between?(left, right) && y.between?(top, bottom)
                end
              end
            found[map.face_islands[face]] |= [home] if home
          end
      end

      # @param places [Numo::DFloat] P x 2
      # @return [Numo::DFloat] F x 2, not to be read at faces that are not on the sheet
      def self.middles(map, places)
        sums = Geometry::Grouped.sum_rows(map.mesh.corner_faces, places[map.corner_points, true], map.mesh.face_count)
        sums / map.mesh.face_sizes.expand_dims(1)
      end

      def self.seen(layout, island, underlay, homes, colors, to_picture)
        cells = underlay.cells.values_at(*homes)
        mask = Numo::Bit.zeros(*colors.shape.first(2))
        cells.each { |cell| mask[cell.y...(cell.y + cell.height), cell.x...(cell.x + cell.width)] = 1 }
        places = rim(layout, island, to_picture)
        rims = REDUCED.to_h { |reduced| [reduced, share(places, cells, mask, colors, reduced)] }
        Seen.new(
          island: island,
          cell: homes.first,
          inside_px: inside(places, cells, mask, underlay.to_sheet(layout.sheet)),
          rims: rims
        )
      end

      # How far inside the nearest border a place of the rim lies at the least, px of the sheet. Where another of the
      # cells goes on, there is none.
      def self.inside(places, cells, mask, to_sheet)
        return 0.0 if places.empty?

        cells.map { |cell| gaps(places, cell, mask, to_sheet) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }.min
      end

      # @return [Numo::DFloat] by place; -1e9 where another cell is in charge
      def self.gaps(places, cell, mask, to_sheet)
        left, top, right, bottom = cell.box
        x, y = [0, 1].map { |axis| places[true, axis] }
        sides = [
          [x - left, to_sheet.a, -1, 0],
          [right - x, to_sheet.a, 1, 0],
          [y - top, to_sheet.e, 0, -1],
          [bottom - y, to_sheet.e, 0, 1]
        ]
        sides
          .map { |gap, scale, dx, dy| (gap * scale) + (goes_on(places, cell, mask, dx, dy) * (gap >= -NEAR) * 1e9) }
          .reduce { |a, b| Numo::DFloat.minimum(a, b) }
      end

      # Whether the px beyond a side, level with each place, is one of the cells' too.
      def self.goes_on(places, cell, mask, dx, dy)
        height, width = mask.shape
        x, y = [0, 1].map { |axis| Numo::Int64.cast(inwards(places, cell, axis).floor) }
        x = x.clip(cell.x, cell.x + cell.width - 1)
        y = y.clip(cell.y, cell.y + cell.height - 1)
        x = (x * 0) + (dx.positive? ? cell.x + cell.width : cell.x - 1) unless dx.zero?
        y = (y * 0) + (dy.positive? ? cell.y + cell.height : cell.y - 1) unless dy.zero?
        inside = (x >= 0) & (x < width) & (y >= 0) & (y < height)
        Numo::DFloat.cast(mask.flatten[(y.clip(0, height - 1) * width) + x.clip(0, width - 1)] & inside)
      end

      # Places along the outline, px of the picture.
      def self.rim(layout, island, to_picture)
        edges = layout.uv_map.edges
        ends = edges.points[(edges.outline & edges.islands.eq(island)).where, true]
        from, to = [0, 1].map { |k| to_picture.apply(layout.points_px[ends[true, k], true]) }
        counts = Numo::Int64.cast((Geometry::Vectors.lengths(to - from) / STEP_PX).ceil.clip(1, 4096)) + 1
        rows = Geometry::Grouped.repeat(counts)
        shares = Numo::DFloat.cast(Geometry::Grouped.places(counts, rows)) / (counts[rows] - 1)
        from[rows, true] + ((to - from)[rows, true] * shares.expand_dims(1))
      end

      # A place samples the four px round it, each as many px of the picture wide as the copy is reduced; at the
      # picture's own size the one it lies on.
      def self.share(places, cells, mask, colors, reduced)
        return 0.0 if places.empty?

        cells.map { |cell| sampled(places, cell, mask, colors, reduced) }.reduce(:&).count.fdiv(places.shape[0])
      end

      # @return [Numo::Bit] by place: whether another colour is sampled, as seen from one of the cells
      def self.sampled(places, cell, mask, colors, reduced)
        own = [0, 1].map { |axis| inwards(places, cell, axis) }
        return differs(*own.map { |values| Numo::Int64.cast(values.floor) }, cell, mask, colors) if reduced == 1

        first = own.map { |values| Numo::Int64.cast(((values / reduced) - 0.5).floor) * reduced }
        ends = [0, (2 * reduced) - 1]
        ends.product(ends).map { |dx, dy| differs(first[0] + dx, first[1] + dy, cell, mask, colors) }.reduce(:|)
      end

      # A hair inwards, so that an edge on a border lies on its own side.
      def self.inwards(places, cell, axis)
        middle = axis.zero? ? cell.x + (cell.width / 2.0) : cell.y + (cell.height / 2.0)
        places[true, axis] + ((middle - places[true, axis]) * 1e-6)
      end

      # Whether a px is none of the cells', and has another colour than the nearest one of this cell.
      def self.differs(x, y, cell, mask, colors)
        height, width, = colors.shape
        x = x.clip(0, width - 1)
        y = y.clip(0, height - 1)
        own_x = x.clip(cell.x, cell.x + cell.width - 1)
        own_y = y.clip(cell.y, cell.y + cell.height - 1)
        flat = colors.reshape(height * width, 4)
        there, own = [(y * width) + x, (own_y * width) + own_x].map { |px| Numo::Int32.cast(flat[px, true]) }
        ((there - own).abs.max(axis: 1) > DIFFERS) & ~mask.flatten[(y * width) + x]
      end
      private_class_method :homes, :middles, :seen, :inside, :gaps, :goes_on, :rim, :share, :sampled, :inwards, :differs
    end
  end
end
