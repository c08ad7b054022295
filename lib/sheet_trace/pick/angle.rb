# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges at which the surface bends by more than an angle.
    module Angle
      extend Way

      finds "edges"
      angle :angle_rad, 0..Math::PI, "that the surface bends by at the least"

      def self.call(job, _kind, angle_rad:)
        Flatten::Seams.by_angle(job.mesh, angle_rad).where.to_a
      end
    end
  end
end
