# frozen_string_literal: true

module SheetTrace
  module Pick
    # What is picked of one kind, as another kind: edges of faces, corners of edges; the other way round, what all of is picked.
    module Carry
      # @param of [String] the kind that is picked
      def self.call(job, kind, of:, picked:)
        raise InputError.new("there is no kind #{of.inspect}; there are #{KINDS.join(", ")}", where: { kind: of }) unless KINDS.include?(of)

        marked = Touching.vertices(job.mesh, of, Pick.checked(job, of, picked))
        return edges_of(job.mesh, picked) if of == "faces" && kind == "edges"

        Touching.all(job.mesh, kind, marked)
      end

      # Not all edges between corners of faces are theirs.
      #
      # @return [Array<Integer>]
      def self.edges_of(mesh, faces)
        mine = Touching.bits(mesh.face_count, faces)[mesh.corner_faces].where
        mine.empty? ? [] : mesh.edges.corner_edges[mine].to_a.uniq.sort
      end
    end
  end
end
