# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Texels beside seams, and for each the places of the sheet that lie as far on the other sides of its seams.
    class SeamStrips
      # Colours are read from the sheet with so much bleed.
      BLEED_PX = 4

      # Texels of one island beside one seam: texels [Numo::Int64] n; across [Numo::DFloat] n x 2 px, where they look;
      # weights [Numo::DFloat] n, how much the colour there counts beside their own
      Part = Struct.new(:texels, :across, :weights)
      private_constant :Part

      # @param canvas [Canvas]
      # @param width_mm [Float] across a seam, both sides together
      # @param between [Array<Array(Integer, Integer)>, nil] islands on both sides; all seams if nil
      # @param outside [Boolean] texels beyond the islands' rims instead, which go on over the seam
      # @return [SeamStrips, nil] nil where there are none
      def self.call(canvas, width_mm, between, outside: false)
        sides = UvMap::CutEdges.call(canvas.layout.uv_map)
        islands =
          sides.map do |side|
            canvas.layout.uv_map.face_islands[canvas.layout.uv_map.mesh.corner_faces[side.starts]].to_a
          end
        wanted = between&.map(&:sort)
        rows =
          islands.transpose.each_index.select do |row|
            wanted.nil? || wanted.include?(islands.map { |own| own[row] }.sort)
          end
        return if rows.empty?

        new(canvas, sides.map { |side| side.at(rows) }, width_mm / 2, outside).then do |strips|
          strips unless strips.empty?
        end
      end

      def initialize(canvas, sides, reach_mm, outside)
        @canvas = canvas
        @map = canvas.layout.uv_map
        @px = canvas.size.to_px(canvas.layout.points_uv)
        @reach_mm = reach_mm
        @outside = outside
        @width = canvas.size.width_px
        @height = canvas.size.height_px
        @parts = parts(*sides)
        freeze
      end
      private_class_method :new

      def empty? = @parts.empty?

      # Where several seams meet, all sides that come together there have their part, so that they meet in one colour.
      #
      # @param below [Vips::Image] 8-bit sRGB with alpha, as large as the canvas
      # @return [Patch] of the texels beside the seams
      def blended(below)
        pixels = Picture.pixels(below).reshape(@width * @height, 4)
        texels = Numo::Bit.zeros(@width * @height).tap { |bits| @parts.each { |part| bits[part.texels] = 1 } }.where
        places = Numo::Int32.zeros(@width * @height).tap { |own| own[texels] = Numo::Int32.new(texels.size).seq }
        sums = premultiplied(pixels, texels)
        weights = Numo::DFloat.ones(texels.size)
        @parts.each do |part|
          rows = places[part.texels]
          sums[rows, true] += between_px(pixels, part.across) * part.weights.expand_dims(1)
          weights[rows] += part.weights
        end
        sums /= weights.expand_dims(1)
        sums[true, 0..2] /= Numo::DFloat.maximum(sums[true, 3], Float::MIN).expand_dims(1) / 255
        patch(texels, Numo::UInt8.cast(sums.round.clip(0, 255)))
      end

      # What lies on the other sides of the seams, as a strip beyond each rim.
      #
      # @param below [Vips::Image] 8-bit sRGB with alpha, as large as the canvas
      # @return [Vips::Image] the same kind; transparent where there is no strip
      def shown(below)
        pixels = Picture.pixels(below).reshape(@width * @height, 4)
        all = Numo::UInt8.zeros(@width * @height, 4)
        @parts.each do |part|
          sums = between_px(pixels, part.across)
          sums[true, 0..2] /= Numo::DFloat.maximum(sums[true, 3], Float::MIN).expand_dims(1) / 255
          all[part.texels, true] = Numo::UInt8.cast(sums.round.clip(0, 255))
        end
        Patch.image(all, @width, @height)
      end

      private

      # @return [Numo::DFloat] n x 4
      def premultiplied(pixels, texels)
        Numo::DFloat.cast(pixels[texels, true]).tap { |own| own[true, 0..2] *= own[true, 3..3] / 255 }
      end

      # By the four texels about each place.
      def between_px(pixels, across)
        x, y = [[0, @width], [1, @height]].map { |axis, side| (across[true, axis] - 0.5).clip(0, side - 1) }
        left, top = [x, y].map { |values| Numo::Int64.cast(values.floor) }
        right, bottom = [[left, @width], [top, @height]].map { |low, side| (low + 1).clip(0, side - 1) }
        right_share, lower_share = [x - left, y - top].map { |share| share.expand_dims(1) }
        upper, lower =
          [top, bottom].map do |row|
            from, to = [left, right].map { |column| premultiplied(pixels, (row * @width) + column) }
            from + ((to - from) * right_share)
          end
        upper + ((lower - upper) * lower_share)
      end

      def patch(texels, colors)
        lines = texels / @width
        columns = texels - (lines * @width)
        left, right = columns.minmax
        top, bottom = lines.minmax
        box = Box.new(left, top, right - left + 1, bottom - top + 1)
        pixels = Numo::UInt32.zeros(box.area)
        pixels[((lines - top) * box.width_px) + columns - left] = Numo::UInt32.from_binary(colors.to_binary)
        Patch.new(pixels: pixels.reshape(box.height_px, box.width_px), left_px: left, top_px: top)
      end

      # @return [Array<Part>] for each island and each that it meets
      def parts(*sides)
        edges = sides.map { |side| Edges.of(side, @map, @px, @canvas.unit_mm, @reach_mm) }
        found = islands_by_texel
        [[0, 1], [1, 0]].flat_map do |own, other|
          pairs = edges[own].islands.to_a.zip(edges[other].islands.to_a)
          groups = pairs.each_index.group_by { |row| pairs[row] }
          groups.filter_map do |islands, rows|
            here = @outside ? edges[own].turned : edges[own]
            part(strips(here.at(rows), edges[other].at(rows), sides[own].at(rows)), islands, found)
          end
        end
      end

      # @return [Part, nil] nil where nothing of it is on the sheet
      def part(strips, islands, found)
        corners, across, far = strips.transpose.map { |parts| parts.reduce { |a, b| a.concatenate(b) } }
        texel_map = @canvas.texel_map_of(corners)
        return if texel_map.texels.empty?

        x, y, away = texel_map.interpolate([across[true, true, 0], across[true, true, 1], far])
        lines = texel_map.texels / texel_map.width_px
        columns = texel_map.texels - (lines * texel_map.width_px)
        texels = ((lines + texel_map.top_px) * @width) + columns + texel_map.left_px
        kept(texels, Geometry::Vectors.columns([x, y]), away, islands, found)
      end

      # Of the island that the strip is of, looking at the one across from it or at its bleed. A texel on the seam and
      # the one across from it count alike; halfway to the strip's end the one across counts a third.
      def kept(texels, across, away, islands, found)
        column, line =
          [[0, @width], [1, @height]].map { |axis, side| Numo::Int64.cast(across[true, axis].floor.clip(0, side - 1)) }
        there = found[(line * @width) + column]
        mine = @outside ? -1 : islands[0]
        rows = (found[texels].eq(mine) & (there.eq(islands[1]) | there.lt(0))).where
        return if rows.empty?

        share = ((1 - (away[rows] / @reach_mm)) / 2).clip(0, 0.5)
        Part.new(texels[rows], across[rows, true], share / (1 - share))
      end

      def islands_by_texel
        whole = @canvas.texel_map(Box.whole(@canvas.size))
        found = Numo::Int32.zeros(@width * @height) - 1
        found[whole.texels] = @map.triangles.islands[whole.triangles] unless whole.texels.empty?
        found
      end

      # Triangles of the sheet beside edges: what is between an edge and the next, then two for each edge.
      #
      # @return [Array<Array>] corners k x 3 x 2; where they look across, the same; how far from the seam, k x 3 mm
      def strips(own, other, side)
        found =
          [[[0, 1, 2], [0.0, 0.0, @reach_mm]], [[0, 2, 3], [0.0, @reach_mm, @reach_mm]]].map do |of, far|
            [stacked(own.quad.values_at(*of)), stacked(other.quad_back.values_at(*of)), spread(far, side.size)]
          end
        [wedges(own, other, side), *found].compact
      end

      def wedges(own, other, side)
        starts, stops = [side.starts, side.stops].map { |corners| @map.corner_points[corners].to_a }
        following = starts.each_with_index.to_h
        pairs = stops.each_with_index.filter_map { |point, i| following[point]&.then { |next_one| [i, next_one] } }
        return if pairs.empty?

        first, second = pairs.transpose
        fan =
          lambda do |spots, inwards|
            spot = spots[first, true]
            [spot, spot + inwards[first, true], spot + inwards[second, true]]
          end
        [
          stacked(fan.call(own.to, own.inwards)),
          stacked(fan.call(other.from, other.inwards)),
          spread([0.0, @reach_mm, @reach_mm], pairs.size)
        ]
      end

      # @param places [Array<Numo::DFloat>] three of n x 2
      # @return [Numo::DFloat] n x 3 x 2
      def stacked(places)
        Numo::DFloat
          .zeros(places[0].shape[0], 3, 2)
          .tap { |out| places.each_with_index { |own, k| out[true, k, true] = own } }
      end

      def spread(values, count) = Numo::DFloat.zeros(count, 3) + Numo::DFloat[values]

      # One side of edges on the sheet. from, to [Numo::DFloat] n x 2 px; inwards [Numo::DFloat] n x 2: what leads as
      # far into the island as strips go, square to the edge on the model; islands [Numo::Int32] n
      Edges =
        Struct.new(:from, :to, :inwards, :islands) do
          def self.of(side, map, px, unit_mm, reach_mm)
            corners = side.to_a
            places = corners.map { |own| map.mesh.positions[map.mesh.corner_vertices[own], true] * unit_mm }
            from, to, third = corners.map { |own| px[map.corner_points[own], true] }
            along, over = [places[1] - places[0], places[2] - places[0]]
            share =
              Geometry::Vectors.dot(along, over) / Numo::DFloat.maximum(Geometry::Vectors.dot(along, along), 1e-18)
            high = Geometry::Vectors.lengths(over - (along * share.expand_dims(1)))
            inwards = third - from - ((to - from) * share.expand_dims(1))
            inwards *= (reach_mm / Numo::DFloat.maximum(high, 1e-9)).expand_dims(1)
            new(from, to, inwards, map.face_islands[map.mesh.corner_faces[side.starts]])
          end

          # @return [Edges] with what leads out of the island
          def turned = Edges.new(from, to, inwards * -1, islands)

          # @param rows [Array<Integer>]
          # @return [Edges] some of them
          def at(rows) = Edges.new(*[from, to, inwards].map { |own| own[rows, true] }, islands[rows])

          # @return [Array<Numo::DFloat>] round it, from the edge's start on
          def quad = [from, to, to + inwards, from + inwards]

          # @return [Array<Numo::DFloat>] the same as the other side of the edge meets it
          def quad_back = [to, from, from + inwards, to + inwards]
        end
      private_constant :Edges
    end
  end
end
