# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Recognises repeated parts: the same faces in the same order, and the same shape up to a rigid move. Shapes are the
    # same where all distances to four points that span the part are; a mirrored copy is told by the sign of the
    # tetrahedron that these four points form.
    module IdenticalParts
      # Distances may differ by this share of the part's size.
      TOLERANCE = 1e-4
      private_constant :TOLERANCE

      # One part's faces, in its own numbers.
      Shape = Struct.new(:part, :sizes, :corners, :points)
      private_constant :Shape

      # @param mesh [Mesh]
      # @return [Array<Array<Integer>>] groups of two or more part indices, the first in the file first
      def self.call(mesh)
        shapes = mesh.parts.each_index.filter_map { |part| shape(mesh, part) }
        alike = shapes.group_by { |shape| [shape.sizes, shape.corners] }.values.select { |some| some.size > 1 }
        alike.flat_map { |some| split(some) }.select { |some| some.size > 1 }.map { |some| some.map(&:part) }
      end

      # @return [Numo::Int64] the part's corners, in order
      def self.corners(mesh, part) = Numo::Int64.cast(mesh.face_parts[mesh.corner_faces].eq(part).where)

      def self.shape(mesh, part)
        corners = corners(mesh, part)
        return if corners.empty?

        numbers = {}
        local = mesh.corner_vertices[corners].to_a.map { |vertex| numbers[vertex] ||= numbers.size }
        Shape.new(part, mesh.face_sizes[mesh.face_parts.eq(part).where].to_a, local, mesh.positions[numbers.keys, true])
      end

      def self.split(shapes)
        shapes.each_with_object([]) do |shape, groups|
          group = groups.find { |some| congruent?(some.first.points, shape.points) }
          group ? group << shape : groups << [shape]
        end
      end

      def self.congruent?(first, second)
        anchors = anchors(first)
        size = distances(first, anchors[0]).max
        return true if size.zero?
        unless anchors.all? { |anchor|
                 ((distances(first, anchor) - distances(second, anchor)).abs.max / size) < TOLERANCE
               }
          return false
        end

        volumes = [first, second].map { |points| volume(points, anchors) / (size**3) }
        volumes.map(&:abs).max < TOLERANCE || (volumes[0] * volumes[1]).positive?
      end

      # Four points that span the shape as widely as is easily found.
      def self.anchors(points)
        far = distances_to(points, points.mean(axis: 0)).max_index
        second = distances(points, far).max_index
        line = points[second, true] - points[far, true]
        from = points - points[far, true]
        across = Geometry::Vectors.cross(from, Numo::DFloat.zeros(*from.shape) + line)
        third = Geometry::Vectors.lengths(across).max_index
        normal = across[third, true]
        [far, second, third, Geometry::Vectors.dot(from, Numo::DFloat.zeros(*from.shape) + normal).abs.max_index]
      end

      def self.distances(points, anchor) = distances_to(points, points[anchor, true])

      def self.distances_to(points, place) = Geometry::Vectors.lengths(points - place)

      def self.volume(points, anchors)
        a, b, c = anchors.drop(1).map { |anchor| (points[anchor, true] - points[anchors[0], true]).to_a }
        (a[0] * ((b[1] * c[2]) - (b[2] * c[1]))) - (a[1] * ((b[0] * c[2]) - (b[2] * c[0]))) +
          (a[2] * ((b[0] * c[1]) - (b[1] * c[0])))
      end
      private_class_method :shape, :split, :congruent?, :anchors, :distances, :distances_to, :volume
    end
  end
end
