# frozen_string_literal: true

module SheetTrace
  module Pick
    # All faces of the materials that picked faces have.
    module Material
      def self.call(job, kind, picked:) = Alike.call(job, kind, picked, job.mesh.face_materials, "a material")
    end
  end
end
