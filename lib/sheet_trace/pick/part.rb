# frozen_string_literal: true

module SheetTrace
  module Pick
    # All faces of the parts that picked faces are of.
    module Part
      extend Way

      finds "faces"
      picked

      def self.call(job, _kind, picked:) = Alike.call(picked, job.mesh.face_parts)
    end
  end
end
