# frozen_string_literal: true

module SheetTrace
  class Mesh
    # The triangles of a mesh, joined by where their corners lie, whatever islands, parts and vertices say. Half-edge
    # 3 t + k runs from corner k of triangle t to the next. Where more than two triangles have an edge, each goes on to
    # the one that is met first when it is turned through its outside, so that boxes that touch and two-sided sheets
    # come out right.
    class Welded
      Triple = Geometry::Triple
      # Share of the model's size within which places are the same.
      SAME_PLACE = 1e-6
      # Smaller than this, an angle between two faces is a whole turn: they lie on each other.
      ON_EACH_OTHER_RAD = 1e-6
      private_constant :Triple, :SAME_PLACE, :ON_EACH_OTHER_RAD

      # @return [Array<Array(Float, Float, Float)>] by welded vertex, model units
      attr_reader :places
      # @return [Array<Integer>] 3 T welded vertices, by half-edge that starts there
      attr_reader :vertices
      # @return [Array<Integer, nil>] 3 T half-edges on the other side; nil at a border
      attr_reader :across

      # @param half [Integer] half-edge
      # @return [Integer] the next of its triangle
      def self.next(half) = half % 3 == 2 ? half - 2 : half + 1

      # @param mesh [Mesh]
      # @return [Welded]
      def self.call(mesh) = new(mesh)

      def initialize(mesh)
        ranks = Mesh.place_ranks(mesh, SAME_PLACE)
        count = ranks.max + 1
        @places = mesh.positions[Geometry::Grouped.representatives(ranks, count), true].to_a
        vertices = Numo::Int64.cast(ranks[mesh.corner_vertices[mesh.triangulation.corners]]).flatten
        @vertices = vertices.to_a
        @across = paired(vertices, count)
        freeze
      end
      private_class_method :new

      # @param triangle [Integer]
      # @return [Array<Array(Float, Float, Float)>] its three corners
      def corners(triangle) = Array.new(3) { |k| places[vertices[(3 * triangle) + k]] }

      # @param triangle [Integer]
      # @return [Array(Float, Float, Float)] unit; of no length where the triangle has no area
      def normal(triangle)
        a, b, c = corners(triangle)
        Triple.unit(Triple.cross(Triple.minus(b, a), Triple.minus(c, a)))
      end

      private

      def paired(from, count)
        half = Numo::Int64.new(from.size).seq
        to = from[half + 1 - (Numo::Int64.cast((half % 3).eq(2)) * 3)]
        keys = (Numo::Int64.minimum(from, to) * count) + Numo::Int64.maximum(from, to)
        across = Array.new(from.size)
        groups(keys).each do |members|
          if members.size == 2
            join(across, *members)
          elsif members.size > 2
            turned_through_outside(members).each { |a, b| join(across, a, b) }
          end
        end
        across
      end

      # @return [Array<Array<Integer>>] half-edges by the edge that they lie on
      def groups(keys)
        order = keys.sort_index
        sorted = keys[order]
        starts = Numo::Bit.ones(keys.size).tap { |bits| bits[1..] = sorted[1..].ne(sorted[0...-1]) }.where.to_a
        order = order.to_a
        starts.each_with_index.map { |start, i| order[start...(starts[i + 1] || order.size)] }
      end

      def join(across, a, b)
        return if across[a] || across[b] || vertices[a] == vertices[Welded.next(a)]

        across[a] = b
        across[b] = a
      end

      def turned_through_outside(members)
        members.combination(2).reject { |a, b| vertices[a] == vertices[b] }.sort_by { |a, b| outside_angle(a, b) }
      end

      def outside_angle(a, b)
        start = places[vertices[a]]
        along = Triple.unit(Triple.minus(places[vertices[Welded.next(a)]], start))
        wings = [a, b].map { |half| wing(half, start, along) }
        angle = Math.atan2(Triple.dot(wings[1], Triple.cross(along, wings[0])), Triple.dot(wings[1], wings[0]))
        angle < ON_EACH_OTHER_RAD ? angle + (2 * Math::PI) : angle
      end

      # From the edge into the triangle, square to the edge.
      def wing(half, start, along)
        inner = Triple.minus(places[vertices[Welded.next(Welded.next(half))]], start)
        far = Triple.dot(inner, along)
        Triple.unit(Array.new(3) { |axis| inner[axis] - (far * along[axis]) })
      end
    end
  end
end
