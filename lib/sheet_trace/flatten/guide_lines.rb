# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Upright and level lines of an island lying flat that artwork is set by: its edges and middles, those of its flat
    # panels, and where the model's own middle runs on its front, back, left and right.
    #
    # Immutable.
    class GuideLines
      # at_mm [Float] right of the island's middle, or above it; name [String] in words
      Line = Struct.new(:at_mm, :name)

      # A panel is as large a share of the island, or smaller where an edge is all round it; so many have lines.
      LARGE = 0.08
      SMALL = 0.01
      EDGE_COS = Math.cos(20 * Math::PI / 180)
      MOST = 24
      # An island of more faces is no net of panels.
      NET_FACES = 4000
      # A surface faces a side where its normal has as much of it.
      FACES = 0.3
      # The model's middle is a line of an island where it is as straight, as a share of the island's size.
      STRAIGHT = 0.01
      # Lines nearer than this share of the island's size are one.
      SAME = 1e-4
      CENTRES = {
        [0, 2, 1] => "centre front",
        [0, 2, -1] => "centre back",
        [2, 0, 1] => "centre right",
        [2, 0, -1] => "centre left"
      }.freeze

      private_constant :LARGE, :SMALL, :EDGE_COS, :MOST, :NET_FACES, :FACES, :STRAIGHT, :SAME, :CENTRES

      # @return [Array<Line>] no two at one place
      attr_reader :upright
      # @return [Array<Line>] no two at one place
      attr_reader :level

      # @param uv_map [UvMap]; island [Integer]
      # @param flat_map [FlatMap] of the island
      # @return [GuideLines]
      def self.call(uv_map, island, flat_map) = new(uv_map, island, flat_map)

      def initialize(uv_map, island, flat_map)
        @uv_map = uv_map
        @rows = uv_map.island_triangles[island]
        @faces = uv_map.triangles.faces[@rows]
        @flat = flat_map.by_point.map { |values| values[uv_map.triangles.points[@rows, true]] }
        @size_mm = flat_map.size_mm
        boxes = [box(@flat, "island"), *panels.map { |rows, name| box(@flat.map { |own| own[rows, true] }, name) }]
        @upright, @level =
          [0, 1].map { |axis| distinct([*(centres if axis.zero?), *boxes.flat_map { |own| own[axis] }]) }
      end
      private_class_method :new

      private

      # Its two edges and its middle, each way.
      def box(places, name)
        [%w[left right], %w[lower upper]].zip(places)
          .map do |sides, values|
            low, high = values.minmax
            [
              Line.new((low + high) / 2, "middle of the #{name}"),
              Line.new(low, "#{sides[0]} edge of the #{name}"),
              Line.new(high, "#{sides[1]} edge of the #{name}")
            ]
          end
      end

      # @return [Array<Array(Array<Integer>, String)>] rows of triangles, and which way they face; the largest first
      def panels
        mesh = @uv_map.mesh
        own = @faces.to_a.uniq
        return [] if own.size > NET_FACES

        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        areas = Geometry::Vectors.lengths(mesh.face_area_vectors)
        least = [SMALL, LARGE].map { |share| share * areas[own].sum }
        patches = FlatPatches.call(mesh, own).select { |patch| patch.faces.size < own.size }
        large =
          patches.select do |patch|
            area = areas[patch.faces].sum
            area > least[1] || (area > least[0] && edged?(patch, normals))
          end
        by_face = @faces.to_a.each_index.group_by { |row| @faces[row] }
        large
          .max_by(MOST) { |patch| areas[patch.faces].sum }
          .map do |patch|
            side = Mesh::Facing.names(normals[[patch.faces.first], true]).first.downcase
            [patch.faces.flat_map { |face| by_face[face] }, side]
          end
      end

      def edged?(patch, normals)
        return false if patch.touching.empty?

        (normals[patch.touching, true] * normals[[patch.faces.first], true]).sum(axis: 1).max < EDGE_COS
      end

      # Where the plane through the model's middle crosses the island, if that is an upright line.
      def centres
        mesh = @uv_map.mesh
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)[@faces, true]
        positions = mesh.positions[@uv_map.point_vertices[@uv_map.triangles.points[@rows, true].flatten], true]
        low, high = [mesh.positions.min(axis: 0), mesh.positions.max(axis: 0)]
        CENTRES.filter_map do |(across, out, sign), name|
          rows = (normals[true, out] * sign).gt(FACES).where
          next if rows.empty?

          beside = (positions[true, across] - ((low[across] + high[across]) / 2)).reshape(@rows.size, 3)[rows, true]
          places = crossings(beside, @flat[0][rows, true])
          next if places.empty? || places.max - places.min > STRAIGHT * @size_mm.max

          Line.new(places.sum / places.size, name)
        end
      end

      # @param beside [Numo::DFloat] t x 3 how far from the plane; places [Numo::DFloat] t x 3
      # @return [Array<Float>] places where sides of triangles cross it
      def crossings(beside, places)
        [[0, 1], [1, 2], [2, 0]].flat_map do |a, b|
          rows = (beside[true, a] * beside[true, b]).le(0) & beside[true, a].ne(beside[true, b])
          rows = rows.where
          next [] if rows.empty?

          from, to = [a, b].map { |k| beside[rows, k] }
          (places[rows, a] + ((places[rows, b] - places[rows, a]) * (from / (from - to)))).to_a
        end
      end

      # Of lines at one place the first.
      def distinct(lines)
        lines.each_with_object([]) do |line, kept|
          kept << line if kept.none? { |other| (other.at_mm - line.at_mm).abs < SAME * @size_mm.max }
        end
      end
    end
  end
end
