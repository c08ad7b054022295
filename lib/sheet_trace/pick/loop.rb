# frozen_string_literal: true

module SheetTrace
  module Pick
    # The whole loop that an edge lies on; as corners, those along it.
    module Loop
      extend Way

      finds "edges", "corners"
      parameter :edge, References::Element.new("edges"), "on it"

      def self.call(job, kind, edge:)
        found = Mesh::PickEdges.edge_loop(job.mesh, edge)
        kind == "edges" ? found : job.mesh.edges.vertices[found, true].to_a.flatten.uniq
      end
    end
  end
end
