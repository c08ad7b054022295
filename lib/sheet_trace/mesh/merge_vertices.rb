# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Makes vertices of one part that lie in the same place one.
    module MergeVertices
      # @param mesh [Mesh]
      # @return [Mesh] the same corners; vertices that no face has are dropped
      def self.call(mesh)
        ranks, count = ranks(mesh)
        places = mesh.positions[mesh.corner_vertices, true]
        mesh.with(
          positions: places[Geometry::Grouped.representatives(ranks, count), true],
          corner_vertices: Numo::Int32.cast(ranks)
        )
      end

      # @return [Numo::Int64] faces with a vertex that shares its place with another
      def self.faces_with_duplicates(mesh)
        ranks, count = ranks(mesh)
        ranked, = Geometry::Grouped.pair_ranks(ranks, mesh.corner_vertices, mesh.vertex_count)
        first = Geometry::Grouped.representatives(ranked, ranked.max + 1)
        several = ranks[first].bincount(minlength: count) > 1
        corners = several[ranks].where
        corners.empty? ? corners : Numo::Int64.cast(mesh.corner_faces[corners].to_a.uniq)
      end

      # @return [Array(Numo::Int64, Integer)] by corner, equal where part and place are
      def self.ranks(mesh)
        places = Mesh.place_ranks(mesh, 0.0)[mesh.corner_vertices]
        Geometry::Grouped.pair_ranks(mesh.face_parts[mesh.corner_faces], places, places.max + 1)
      end
      private_class_method :ranks
    end
  end
end
