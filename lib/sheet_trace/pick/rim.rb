# frozen_string_literal: true

module SheetTrace
  module Pick
    # The edges round picked faces: between them and others, and open ones.
    module Rim
      extend Way

      finds "edges"
      parameter :faces, References::Elements.new("faces", some: false), "that it goes round"

      def self.call(job, _kind, faces:)
        mesh = job.mesh
        mine = Touching.bits(mesh.face_count, faces)[mesh.corner_faces].where
        return [] if mine.empty?

        edges = mesh.edges.corner_edges[mine]
        own = edges.bincount(minlength: mesh.edges.count)
        (own.gt(0) & (own.ne(mesh.edges.uses) | own.eq(1))).where.to_a
      end
    end
  end
end
