# frozen_string_literal: true

module SheetTrace
  module Pick
    # What is picked of one kind, as another kind: edges of faces, corners of edges; the other way round, what all of
    # is picked.
    module Carry
      extend Way

      one_of :of, KINDS, "the kind that is picked"
      parameter :picked,
                Parameters::ListOf.new(Parameters::Whole.new(0..1_000_000_000), sizes: 0..100_000_000),
                "of that kind"

      # @param of [String] the kind that is picked
      def self.call(job, kind, of:, picked:)
        picked = References::Elements.new(of, some: false).validate(picked, "picked", Context.new(job: job, kind: of))
        marked = Touching.vertices(job.mesh, of, picked)
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
