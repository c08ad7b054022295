# frozen_string_literal: true

module SheetTrace
  module Fit
    # Looks along the rims of islands in cells: whether they stay as far inside as wanted, and whether a rim of another colour is sampled there, at the
    # sheet's size and in copies reduced to a half, a quarter and an eighth.
    module BorderWatch
      REDUCED = [1, 2, 4, 8].freeze
      DIFFERS = 24 # 0 to 255, of any channel
      STEP_PX = 0.5 # along the rim, px of the picture
      private_constant :STEP_PX

      # island [Integer]; cell [Integer]; inside_px [Float] how far inside the cell it stays, px of the sheet; below 0 where it juts out
      # rims [Hash{Integer => Float}] by reduction: the share of the rim that samples another colour
      Seen = Struct.new(:island, :cell, :inside_px, :rims, keyword_init: true) do
        # @return [Integer, nil] the least reduction at which a rim shows
        def rim_from = rims.find { |_reduced, share| share.positive? }&.first
      end

      # @param layout [Layout]; underlay [Underlay]
      # @param pixels [Numo::UInt8] h x w x 4 of the corrected picture
      # @return [Array<Seen>] one for each island that lies in a cell, or mostly does
      def self.call(layout, underlay, pixels)
        colors = Numo::Int32.cast(pixels)
        (0...layout.uv_map.island_count).filter_map do |island|
          cell = nearest(layout, island, underlay)
          seen(layout, island, underlay, cell, colors) if cell
        end
      end

      # The smallest cell that the island's middle lies in.
      def self.nearest(layout, island, underlay)
        x, y = layout.centre_px([island])
        inside = underlay.cells.each_index.select do |i|
          left, top, right, bottom = underlay.box_px(underlay.cells[i], layout.sheet)
          x.between?(left, right) && y.between?(top, bottom)
        end
        inside.min_by { |i| underlay.cells[i].width * underlay.cells[i].height }
      end

      def self.seen(layout, island, underlay, index, colors)
        cell = underlay.cells[index]
        left, top, right, bottom = underlay.box_px(cell, layout.sheet)
        box = layout.boxes_px[island, true].to_a
        inside = [box[0] - left, box[1] - top, right - box[2], bottom - box[3]].min
        places = rim(layout, island, underlay.to_sheet(layout.sheet).inverse)
        Seen.new(island: island, cell: index, inside_px: inside, rims: REDUCED.to_h { |reduced| [reduced, share(places, cell, colors, reduced)] })
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

      # A place samples the four px round it, each as many px of the picture wide as the copy is reduced.
      def self.share(places, cell, colors, reduced)
        return 0.0 if places.empty?

        # A hair inwards, so that an edge on a border samples its own side where sampling is hard and the picture's own size is shown.
        first = [0, 1].map { |axis| Numo::Int64.cast(((inwards(places, cell, axis) / reduced) - 0.5).floor) * reduced }
        bad = Numo::Bit.zeros(places.shape[0])
        spans = reduced == 1 ? [[0, 0]] : [0, (2 * reduced) - 1].product([0, (2 * reduced) - 1])
        first = [0, 1].map { |axis| Numo::Int64.cast(inwards(places, cell, axis).floor) } if reduced == 1
        spans.each { |dx, dy| bad |= differs(first[0] + dx, first[1] + dy, cell, colors) }
        bad.count.fdiv(places.shape[0])
      end

      def self.inwards(places, cell, axis)
        middle = axis.zero? ? cell.x + (cell.width / 2.0) : cell.y + (cell.height / 2.0)
        places[true, axis] + ((middle - places[true, axis]) * 1e-6)
      end

      # Whether the px there has another colour than the nearest one inside the cell.
      def self.differs(x, y, cell, colors)
        height, width, = colors.shape
        x = x.clip(0, width - 1)
        y = y.clip(0, height - 1)
        own_x = x.clip(cell.x, cell.x + cell.width - 1)
        own_y = y.clip(cell.y, cell.y + cell.height - 1)
        flat = colors.reshape(height * width, 4)
        (flat[(y * width) + x, true] - flat[(own_y * width) + own_x, true]).abs.max(axis: 1) > DIFFERS
      end
      private_class_method :nearest, :seen, :rim, :share, :inwards, :differs
    end
  end
end
