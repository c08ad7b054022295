# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Finds faces whose corners lie in the same places, whichever way they look.
    module CoincidingFaces
      # Places count as the same within this share of the model's size.
      SHARE = 1e-6
      private_constant :SHARE

      # @param mesh [Mesh]
      # @return [Array<Array<Integer>>] groups of two or more face indices
      def self.call(mesh)
        places = Mesh.place_ranks(mesh, SHARE)[mesh.corner_vertices]
        sums = candidates(mesh, places)
        likely = sums.bincount.gt(1)[sums].where.to_a
        return [] if likely.empty?

        corners = places.to_a
        starts = mesh.face_starts.to_a
        likely
          .group_by { |face| corners[starts[face]...starts[face + 1]].sort }
          .values
          .select { |faces| faces.size > 1 }
      end

      # Faces that could be alike have the same number of corners and the same sums of place numbers.
      def self.candidates(mesh, places)
        numbers = Numo::DFloat.cast(places)
        columns =
          [numbers, numbers**2].map { |values| Geometry::Grouped.sum(mesh.corner_faces, values, mesh.face_count) }
        columns
          .reduce([Numo::Int64.cast(mesh.face_sizes), mesh.face_sizes.max + 1]) do |(so_far, _), column|
            Geometry::Grouped.pair_ranks(so_far, *Geometry::Grouped.ranks(column))
          end
          .first
      end
      private_class_method :candidates
    end
  end
end
