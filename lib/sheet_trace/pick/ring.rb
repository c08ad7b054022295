# frozen_string_literal: true

module SheetTrace
  module Pick
    # The ring of faces across an edge: from face to face through opposite edges, as long as the faces have four
    # corners, to both
    # sides; as edges, those that the ring goes through.
    module Ring
      extend Way

      finds "faces", "edges"
      parameter :edge, References::Element.new("edges"), "across which it goes"

      def self.call(job, kind, edge:)
        faces, edges = walked(job.mesh, edge)
        kind == "faces" ? faces : edges
      end

      def self.walked(mesh, start)
        faces = []
        edges = [start]
        mesh.edge_faces[start].each do |face|
          edge = start
          while face && !faces.include?(face)
            faces << face
            edge = opposite(mesh, face, edge) or break
            edges << edge
            face = mesh.edge_faces[edge].find { |other| other != face }
          end
        end
        [faces, edges.uniq]
      end

      def self.opposite(mesh, face, edge)
        first = mesh.face_starts[face]
        return unless mesh.face_starts[face + 1] - first == 4

        own = mesh.edges.corner_edges[first...(first + 4)].to_a
        own[(own.index(edge) + 2) % 4]
      end
      private_class_method :walked, :opposite
    end
  end
end
