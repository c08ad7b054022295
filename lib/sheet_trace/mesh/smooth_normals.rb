# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Normals for shading from smoothing groups: at a vertex, the faces of one group share the mean of
    # their normals, weighted by area. Group 0 is not smoothed.
    # Source: "Object Files (.obj)", appendix B1, "s group_number".
    module SmoothNormals
      # @param mesh [Mesh]
      # @param face_groups [Numo::Int32] F group numbers, 0 for none
      # @return [Numo::DFloat] C x 3 unit vectors
      def self.call(mesh, face_groups)
        groups = face_groups[mesh.corner_faces]
        own = mesh.face_area_vectors[mesh.corner_faces, true]
        ranks, count = Geometry::Grouped.pair_ranks(mesh.corner_vertices, Numo::Int64.cast(groups), groups.max + 1)
        shared = Geometry::Grouped.sum_rows(Numo::Int32.cast(ranks), own, count)[ranks, true].copy
        flat = groups.eq(0).where
        shared[flat, true] = own[flat, true] unless flat.empty?
        Geometry::Vectors.unit(shared)
      end
    end
  end
end
