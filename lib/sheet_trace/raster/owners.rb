# frozen_string_literal: true

module SheetTrace
  module Raster
    # For each texel of a sheet, the triangle that its centre lies in. Each edge is followed down the rows of centres
    # that it crosses; where it crosses, the triangle's number is added if the triangle begins there and taken off if it
    # ends, and the running sum along the rows is the number of the triangle. So triangles that share an edge neither
    # both take a texel nor leave one out. A triangle has its top and left edges, not the others.
    #
    # Corners are held to 1/1024 px, so that all comparisons are exact in doubles up to 16 384 px a side.
    # Fresh memory costs more than the sums do: triangles are worked on in parts, and large arrays are used again.
    # O(rows crossed by edges + texels)
    module Owners
      UNIT = 1024.0
      TRIANGLES = 8192 # worked on at a time
      CROSSINGS = 16_384
      EXACT = 2**24 # whole numbers up to here are exact in single precision
      private_constant :UNIT, :TRIANGLES, :CROSSINGS, :EXACT

      # @param corners [Numo::DFloat] K x 3 x 2, px from the top left corner
      # @return [Numo::Int32] width_px * height_px numbers: 0 where no triangle is, else 1 + the row of the last
      #   triangle that covers the texel's centre
      def self.call(corners, width_px, height_px) = with_overlap(corners, width_px, height_px).first

      # @return [Array(Numo::Int32, Boolean)] the same, and whether any centre lies in more than one triangle
      def self.with_overlap(corners, width_px, height_px)
        size = width_px * height_px
        crossed =
          in_parts(corners).flat_map do |part, from|
            levels(edges_of(part, from, height_px)).map { |edges| crossings(edges, width_px, size) }
          end
        return Numo::Int32.zeros(size), false if crossed.empty?

        places, weights, areas = crossed.transpose
        places, weights = [places, weights].map { |arrays| Geometry::Grouped.joined(arrays) }
        owner, filled = running(places, weights, size)
        return owner, false if filled == areas.sum

        [last_wins(owner, places, weights, corners, width_px, height_px), true]
      end

      def self.in_parts(corners)
        count = corners.shape[0]
        (0...count).step(TRIANGLES).map { |from| [corners[from...[from + TRIANGLES, count].min, true, true], from] }
      end

      # The sums along the rows, and how many texels are covered if none is covered twice. In single precision, at half
      # the cost, where neither the sums in one texel nor the running ones leave its exact range.
      def self.running(places, weights, size)
        most = weights.max.to_i
        if (places >> 5).bincount.max * most < EXACT
          sums = places.bincount(weights, minlength: size + 1)
          sums.inplace.cumsum
        end
        if sums.nil? || sums.max >= EXACT
          sums = places.bincount(Numo::DFloat.cast(weights), minlength: size + 1)
          sums.inplace.cumsum
        end
        owner = Numo::Int32.cast(sums[0...size])
        sums.inplace.clip(0, 1) # many times cheaper than a count of bits
        filled = (0...size).step(EXACT / 4).sum { |from| sums[from...[from + (EXACT / 4), size].min].sum.to_i }
        sums.free
        [owner, filled]
      end

      # @return [Numo::DFloat] 6 x 3K: first row, rows, crossing in it (numerator, its change per row, denominator),
      #   weight
      def self.edges_of(corners, from, height_px)
        x, y = on_grid(corners)
        turn = turn_of(x, y)
        number = Numo::DFloat.new(turn.size).seq(from + 1) * turn
        rows = y.map { |column| ((column / UNIT) - 0.5).ceil.clip(0, height_px) }
        edges = Numo::DFloat.zeros(6, 3, turn.size)
        [[0, 1], [1, 2], [2, 0]].each_with_index do |(a, b), side|
          first = Numo::DFloat.minimum(rows[a], rows[b])
          edges[0, side, true] = first
          edges[1, side, true] = (rows[b] - rows[a]).abs * turn.abs
          slope(x[a], y[a], x[b], y[b], first).each_with_index { |column, k| edges[2 + k, side, true] = column }
          edges[5, side, true] = number * -(y[b] - y[a]).sign
        end
        edges.reshape(6, 3 * turn.size)
      end

      # @return [Array(Array<Numo::DFloat>, Array<Numo::DFloat>)] x and y of each corner, 1/1024 px
      def self.on_grid(corners) = [0, 1].map { |axis| Array.new(3) { |k| (corners[true, k, axis] * UNIT).round } }

      # 1 for triangles that turn clockwise on the sheet, -1 for others, 0 for those without area.
      def self.turn_of(x, y) = (((x[1] - x[0]) * (y[2] - y[0])) - ((y[1] - y[0]) * (x[2] - x[0]))).sign

      # Where edges cross their first row of centres, as a fraction, and how its numerator changes from row to row.
      def self.slope(from_x, from_y, to_x, to_y, first)
        down = (to_y - from_y).sign
        tall = (to_y - from_y) * down
        across = (to_x - from_x) * down
        upper_x = from_x + ((to_x - from_x) * Numo::DFloat.cast(down.lt(0)))
        below = ((first + 0.5) * UNIT) - Numo::DFloat.minimum(from_y, to_y)
        [((upper_x - (UNIT / 2)) * tall) + (below * across), across * UNIT, tall * UNIT]
      end

      # Edges that cross about as many rows, together; those that cross none are left out.
      def self.levels(edges)
        level = Numo::Int32.cast((Numo::NMath.log(edges[1, true].clip(0.5, nil)) * 4).floor) + 3
        level
          .bincount
          .to_a
          .each_with_index
          .drop(3)
          .reject { |count, _| count.zero? }
          .flat_map do |count, number|
            found = level.eq(number).where
            size = [(CROSSINGS / edges[1, found[0]]).to_i, 1].max
            (0...count).step(size).map { |from| edges[true, found[from...[from + size, count].min]].copy }
          end
      end

      # @return [Array(Numo::Int32, Numo::SFloat, Float)] texels where edges are crossed, what is added there, and the
      #   area that is gained
      def self.crossings(edges, width_px, size)
        first, rows, start, step, tall, weight = Array.new(6) { |k| edges[k..k, true] }
        down = Numo::DFloat.new(rows.max.to_i, 1).seq
        at = down * step
        Geometry::InPlace.call(at, [:+, start], [:/, tall], [:ceil], [:clip, 0, width_px])
        Geometry::InPlace.call(at, [:+, first * width_px], [:+, down * width_px], [:clip, 0, size])
        places = Numo::Int32.cast(at).flatten
        share = Numo::SFloat.cast(rows) - Numo::SFloat.cast(down) # behind an edge's end there is nothing to add
        Geometry::InPlace.call(share, [:clip, 0, 1])
        Geometry::InPlace.call(at, [:*, share])
        area = -(at.inplace * weight.sign).sum
        Geometry::InPlace.call(share, [:*, Numo::SFloat.cast(weight)])
        at.free
        [places, share.flatten, area]
      end

      # Where triangles overlap, the sums say nothing: those that have such texels are painted one after the other.
      def self.last_wins(owner, places, weights, corners, width_px, height_px)
        several = Numo::Int32.zeros(owner.size + 1)
        several[1..] = running(places, weights.sign, owner.size).first.gt(1)
        several.inplace.cumsum
        weighed = Numo::DFloat.cast(several[places]) * Numo::DFloat.cast(weights.sign)
        found = Numo::Int32.cast(weights.abs).bincount(weighed).ne(0).where - 1
        owner[several[1..].ne(several[0...-1]).where] = 0
        (0...found.size).step(1024) do |from|
          some = found[from...[from + 1024, found.size].min]
          held = (corners[some, true, true] * UNIT).round / UNIT
          texels, triangles = Rasterise.call(held, width_px, height_px)
          owner[texels] = some[triangles] + 1 unless texels.empty?
        end
        owner
      end
      private_class_method :in_parts, :running, :edges_of, :on_grid, :turn_of, :slope, :levels, :crossings, :last_wins
    end
  end
end
