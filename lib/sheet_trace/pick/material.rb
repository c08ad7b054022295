# frozen_string_literal: true

module SheetTrace
  module Pick
    # All faces of the materials that picked faces have.
    module Material
      extend Way

      finds "faces"
      picked

      def self.call(job, _kind, picked:) = Alike.call(picked, job.mesh.face_materials)
    end
  end
end
