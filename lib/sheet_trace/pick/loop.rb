# frozen_string_literal: true

module SheetTrace
  module Pick
    # The whole loop that an edge lies on; as corners, those along it.
    module Loop
      def self.call(job, kind, edge:)
        Pick.only_for(%w[edges corners], kind, "a loop")
        found = Mesh::PickEdges.edge_loop(job.mesh, edge)
        kind == "edges" ? found : job.mesh.edges.vertices[found, true].to_a.flatten.uniq
      end
    end
  end
end
