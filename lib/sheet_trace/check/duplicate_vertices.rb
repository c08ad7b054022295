# frozen_string_literal: true

module SheetTrace
  module Check
    # Vertices of one part in the same place, along borders that only look closed.
    module DuplicateVertices
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        mesh = subject.mesh
        used = Geometry::Grouped.ranks(mesh.corner_vertices).last
        count = used - Mesh::MergeVertices.call(mesh).vertex_count
        return [] unless count.positive?

        faces = Mesh::MergeVertices.faces_with_duplicates(mesh).to_a
        places =
          faces
            .group_by { |face| mesh.parts[mesh.face_parts[face]] }
            .map do |part, some|
              Place.new(text: "#{part}: #{Check.count(some.size, "face")}", faces: some, numbers: { faces: some.size })
            end
        [
          Finding.new(
            code: "duplicate_vertices",
            severity: "hint",
            message: "#{Check.count(count, "vertex lies", "vertices lie")} exactly where another one lies",
            places: places,
            meaning: "Faces that seem to touch are not joined: neighbours are not found across the gap.",
            mend: Mend.new(label: "Merge them", operation: "merge_vertices", parameters: {})
          )
        ]
      end
    end
  end
end
