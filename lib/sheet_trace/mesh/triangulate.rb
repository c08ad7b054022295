# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Cuts each face into triangles: a fan where every corner of the face turns outwards, ear clipping where one is
    # dented or lies on a straight side. Of a quadrilateral's diagonals the second is taken where the first has the
    # ends of
    # another diagonal or of an edge: two lines between the same vertices would shut in what lies between them.
    module Triangulate
      STRAIGHT = 1e-9 # share of the face's area that a corner may span and still lie on a straight side
      private_constant :STRAIGHT

      # @param mesh [Mesh]
      # @return [Triangulation] n - 2 triangles a face of n corners, in the order of the faces
      def self.call(mesh)
        return whole(mesh) if mesh.face_sizes.eq(3).all?

        dents = turning(mesh, ->(turns, straight) { turns < straight })
        pieces =
          mesh.face_sizes.to_a.uniq.flat_map do |size|
            faces = mesh.face_sizes.eq(size).where
            dented = size == 3 ? Numo::Bit.zeros(faces.size) : dents[faces]
            round = faces[(~dented).where]
            [*(size == 4 ? quads(mesh, round) : [fans(mesh, round, size)]), *clipped(mesh, faces[dented.where])]
          end
        join(pieces)
      end

      def self.whole(mesh)
        Triangulation.new(corners: Numo::Int32.new(mesh.face_count, 3).seq, faces: Numo::Int32.new(mesh.face_count).seq)
      end

      # @return [Numo::Bit] F: 1 where some corner turns inwards
      def self.dented_faces(mesh) = turning(mesh, ->(turns, straight) { turns < -straight })

      # @param test [#call] takes how far each corner turns outwards, and what counts as straight on
      # @return [Numo::Bit] F: 1 where it holds for some corner
      def self.turning(mesh, test)
        edges =
          mesh.positions[mesh.corner_vertices[mesh.next_corners], true] - mesh.positions[mesh.corner_vertices, true]
        turns = Geometry::Vectors.cross(edges, edges[mesh.next_corners, true])
        areas = mesh.face_area_vectors[mesh.corner_faces, true]
        held = test.call(Geometry::Vectors.dot(turns, areas), (Geometry::Vectors.dot(areas, areas) * STRAIGHT))
        Geometry::Grouped.sum(mesh.corner_faces, Numo::DFloat.cast(held), mesh.face_count) > 0
      end

      def self.quads(mesh, faces)
        return [] if faces.empty?

        shared = shared_diagonals(mesh, faces)
        [fans(mesh, faces[(~shared).where], 4), fans(mesh, faces[shared.where], 4, first: 1)]
      end

      # @return [Numo::Bit] by face: whether its first diagonal has the ends of another line
      def self.shared_diagonals(mesh, faces)
        ends = [0, 2].map { |offset| Numo::Int64.cast(mesh.corner_vertices[mesh.face_starts[faces] + offset]) }
        edges = [0, 1].map { |column| mesh.edges.vertices[true, column] }
        from, to = ends.zip(edges).map { |own, others| own.concatenate(others) }
        ranks, count =
          Geometry::Grouped.ranks((Numo::Int64.minimum(from, to) * mesh.vertex_count) + Numo::Int64.maximum(from, to))
        ranks.bincount(minlength: count).gt(1)[ranks[0...faces.size]]
      end

      # @param first [Integer] the corner that all triangles of a face have in common
      def self.fans(mesh, faces, size, first: 0)
        return faces, Numo::Int32.zeros(0, 3) if faces.empty?

        starts = mesh.face_starts[faces]
        Array
          .new(size - 2) do |k|
            corners = Numo::Int32.zeros(faces.size, 3)
            [0, k + 1, k + 2].each_with_index do |offset, column|
              corners[true, column] = starts + ((first + offset) % size)
            end
            [faces, corners]
          end
          .then { |fan| stack(fan) }
      end

      def self.clipped(mesh, faces)
        faces.to_a.map do |face|
          start = mesh.face_starts[face]
          corners = (start...mesh.face_starts[face + 1]).to_a
          triangles = Geometry::EarClipping.call(flat_outline(mesh, face, corners))
          [Numo::Int32.new(triangles.size).fill(face), Numo::Int32.cast(triangles) + start]
        end
      end

      # The face's corners along the two axes that its plane is most square to.
      def self.flat_outline(mesh, face, corners)
        normal = mesh.face_area_vectors[face, true].to_a
        drop = (0..2).max_by { |axis| normal[axis].abs }
        x, y = [[1, 2], [2, 0], [0, 1]][drop]
        x, y = y, x if normal[drop].negative?
        mesh.positions[mesh.corner_vertices[corners], true].to_a.map { |point| [point[x], point[y]] }
      end

      def self.stack(pieces)
        faces = pieces.map(&:first).reject(&:empty?)
        return Numo::Int32.zeros(0), Numo::Int32.zeros(0, 3) if faces.empty?

        [
          Numo::Int32.cast(faces.first.concatenate(*faces[1..])),
          pieces.map(&:last).reject(&:empty?).then { |parts| parts.first.concatenate(*parts[1..], axis: 0) }
        ]
      end

      def self.join(pieces)
        faces, corners = stack(pieces)
        # Faces rise, and the triangles of one face keep their order.
        order = ((Numo::Int64.cast(faces) * (faces.size + 1)) + Numo::Int64.new(faces.size).seq).sort_index
        Triangulation.new(corners: corners[order, true], faces: faces[order])
      end
      private_class_method :whole, :turning, :quads, :shared_diagonals, :fans, :clipped, :flat_outline, :stack, :join
    end
  end
end
