# frozen_string_literal: true

module SheetTrace
  module Pick
    # All faces of the parts that picked faces are of.
    module Part
      def self.call(job, kind, picked:) = Alike.call(job, kind, picked, job.mesh.face_parts, "a part")
    end
  end
end
