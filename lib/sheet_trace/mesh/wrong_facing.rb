# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Finds the faces that must be turned round so that all of a connected piece look the same way, and outwards where
    # the piece is closed. Pieces are walked from face to face across edges that two faces share.
    module WrongFacing
      # @param mesh [Mesh]
      # @return [Numo::Int64] face indices, rising
      def self.call(mesh)
        side, piece, count = sides(mesh)
        areas = Geometry::Vectors.lengths(mesh.face_area_vectors)
        # On each piece, the side that less area is on gives way.
        against = [0, 1].map { |which| Geometry::Grouped.sum(piece, areas * Numo::DFloat.cast(side.eq(which)), count) }
        minority = Numo::Int32.cast(against[1] <= against[0])
        inwards = inwards(mesh, side, piece, count, minority)
        wrong = side.eq(minority[piece])
        wrong ^= inwards[piece].eq(1)
        wrong.where.then { |faces| Numo::Int64.cast(faces) }
      end

      # @return [Array(Numo::Int32, Numo::Int32, Integer)] F sides (0 or 1: equal ones look the same way), F pieces,
      #   and their number
      def self.sides(mesh)
        first, second = mesh.edges.paired_corners
        # both run the same way: one is turned
        same = first.empty? ? [] : mesh.edges.forward[first].eq(mesh.edges.forward[second]).to_a
        near = Array.new(mesh.face_count) { [] }
        unless first.empty?
          mesh.corner_faces[first]
            .to_a
            .zip(mesh.corner_faces[second].to_a, same) do |a, b, turned|
              near[a] << b << turned
              near[b] << a << turned
            end
        end
        walk(near)
      end

      def self.walk(near)
        side = Array.new(near.size)
        piece = Array.new(near.size)
        count = 0
        near.each_index do |start|
          next if side[start]

          side[start] = 0
          piece[start] = count
          queue = [start]
          while (face = queue.pop)
            near[face].each_slice(2) do |other, turned|
              next if side[other]

              side[other] = side[face] ^ turned
              piece[other] = count
              queue << other
            end
          end
          count += 1
        end
        [side, piece].map { |list| Numo::Int32.from_binary(list.pack("l*")) } + [count]
      end

      # Closed pieces whose enclosed volume, by the divergence theorem, comes out negative.
      #
      # @return [Numo::Int32] by piece, 1 where it looks inwards once it agrees with itself
      def self.inwards(mesh, side, piece, count, minority)
        open = mesh.edges.uses.ne(2)[mesh.edges.corner_edges].where
        closed = Numo::Int32.ones(count)
        closed[piece[mesh.corner_faces[open]]] = 0 unless open.empty?
        sign = Numo::DFloat.cast(side.ne(minority[piece])).then { |right| (right * 2) - 1 }
        middles =
          Geometry::Grouped.sum_rows(mesh.corner_faces, mesh.positions[mesh.corner_vertices, true], mesh.face_count) /
            Numo::DFloat.cast(mesh.face_sizes).expand_dims(1)
        volume =
          Geometry::Grouped.sum(
            piece,
            Geometry::Vectors.dot(middles - mesh.positions.mean(axis: 0), mesh.face_area_vectors) * sign,
            count
          )
        Numo::Int32.cast(volume < 0) * closed
      end
      private_class_method :sides, :walk, :inwards
    end
  end
end
