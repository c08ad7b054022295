# frozen_string_literal: true

module SheetTrace
  class Layout
    # A first sheet map for a model that has none: each face square-on in true shape, an island of its own,
    # packed in rows at one scale.
    module ProjectFaces
      # @param mesh [Mesh]
      # @param sheet [Sheet]
      # @return [UvMap]
      def self.call(mesh, sheet:)
        corners = Flatten::SquareOn.call(mesh)
        sizes =
          (0..1)
            .map do |axis|
              Geometry::Grouped.extremes(mesh.corner_faces, corners[true, axis], mesh.face_count).last.to_a
            end
            .transpose
        places, scale = PackRows.call(sizes, sheet: sheet)
        bottoms = places.each_with_index.map { |(left, top), face| [left, top + (sizes[face][1] * scale)] }
        px =
          (corners * scale).tap { |flat| flat[true, 1] = -flat[true, 1] } +
            Numo::DFloat.cast(bottoms)[mesh.corner_faces, true]
        build(mesh, sheet.px_to_uv.apply(px))
      end

      # Every corner is a point of its own, so that no two faces join.
      def self.build(mesh, points)
        faces = Numo::Int32.cast(mesh.corner_faces)
        UvMap.new(
          mesh: mesh,
          points: points,
          point_vertices: mesh.corner_vertices,
          point_islands: faces,
          corner_points: Numo::Int32.new(mesh.corner_count).seq,
          face_mapped: Numo::Bit.ones(mesh.face_count),
          face_islands: Numo::Int32.new(mesh.face_count).seq,
          island_count: mesh.face_count
        )
      end
      private_class_method :build
    end
  end
end
