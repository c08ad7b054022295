# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Which corner of a face each corner of the face that it has become is: of faces with as many corners, turned so
    # that the corners lie nearest to each other.
    module PairCorners
      # @param from [Mesh]; to [Mesh]
      # @param origins [Numo::Int32] by face of to: the face of from that it was; -1 where there is none
      # @return [Numo::Int64] by corner of to: the corner of from; -1 where there is none
      def self.call(from, to, origins)
        found = Numo::Int64.zeros(to.corner_count) - 1
        sizes = [from, to].map { |mesh| mesh.face_sizes.to_a }
        origins.to_a.each_with_index do |origin, face|
          next if origin.negative? || sizes[0][origin] != sizes[1][face]

          count = sizes[1][face]
          first = to.face_starts[face]
          turned = turn(corners(from, origin, count), corners(to, face, count))
          start = from.face_starts[origin]
          found[first...(first + count)] = Numo::Int64.cast(Array.new(count) { |k| start + ((k + turned) % count) })
        end
        found
      end

      def self.corners(mesh, face, count)
        start = mesh.face_starts[face]
        mesh.positions[mesh.corner_vertices[start...(start + count)], true].to_a
      end

      # @return [Integer] by how many corners
      def self.turn(former, now)
        now.each_index.min_by do |by|
          now.each_index.sum { |k| Geometry::Triple.distance(now[k], former[(k + by) % former.size]) }
        end
      end
      private_class_method :corners, :turn
    end
  end
end
