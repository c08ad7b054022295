# frozen_string_literal: true

module SheetTrace
  module Pick
    # The counterparts of what is picked, on the other side of the plane of symmetry.
    module Mirrored
      extend Way

      picked

      # @raise [MeshError] if the model is not symmetric; where: {}
      def self.call(job, kind, picked:)
        symmetry = job.mesh.symmetry
        raise MeshError, "the model has no plane of symmetry, so there is no other side" unless symmetry

        twins = {
          "faces" => symmetry.face_twins,
          "edges" => symmetry.edge_twins,
          "corners" => symmetry.vertex_twins
        }.fetch(kind)
        picked.empty? ? [] : twins[picked].to_a
      end
    end
  end
end
