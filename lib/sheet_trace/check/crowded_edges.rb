# frozen_string_literal: true

module SheetTrace
  module Check
    # Edges that three or more faces share.
    module CrowdedEdges
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        mesh = subject.mesh
        crowded = mesh.edges.uses > 2
        return [] unless crowded.any?

        corners = crowded[mesh.edges.corner_edges].where
        edges =
          mesh.edges.corner_edges[corners]
            .to_a
            .zip(mesh.corner_faces[corners].to_a)
            .group_by(&:first)
            .transform_values { |pairs| pairs.map(&:last) }
        places =
          edges.values.map do |faces|
            Place.new(
              text: "#{mesh.parts[mesh.face_parts[faces.first]]}: an edge of #{faces.size} faces",
              faces: faces.uniq,
              numbers: {
                faces: faces.size
              }
            )
          end
        [
          Finding.new(
            code: "crowded_edges",
            severity: "warning",
            message: "#{Check.count(edges.size, "edge is", "edges are")} shared by three or more faces",
            meaning: "Such a place can't be cut open and laid flat; ask for the model to be mended there.",
            places: places
          )
        ]
      end
    end
  end
end
