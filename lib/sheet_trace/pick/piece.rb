# frozen_string_literal: true

module SheetTrace
  module Pick
    # All that hangs together with picked elements, as far as the seams; of edges and corners, what lies on those
    # pieces.
    module Piece
      extend Way

      picked

      def self.call(job, kind, picked:)
        pieces = Flatten::Cut.call(job.mesh, job.seams).face_pieces
        faces = faces_at(job.mesh, kind, picked)
        return [] if faces.empty?

        wanted = Touching.bits(pieces.max + 1, pieces[faces])
        grown = wanted[pieces].where.to_a
        kind == "faces" ? grown : Carry.call(job, kind, of: "faces", picked: grown)
      end

      def self.faces_at(mesh, kind, picked)
        case kind
        when "faces"
          picked
        when "edges"
          mesh.edge_faces.values_at(*picked).flatten.uniq
        else
          Touching.any(mesh, "faces", Touching.vertices(mesh, kind, picked))
        end
      end
      private_class_method :faces_at
    end
  end
end
