# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges at which the surface bends by more than an angle.
    module Angle
      def self.call(job, kind, angle_rad:)
        Pick.only_for(%w[edges], kind, "an angle")
        raise InputError.new("angle limit is #{angle_rad.inspect}; give a number of degrees", where: { angle: angle_rad }) unless angle_rad.is_a?(Numeric)

        Flatten::Seams.by_angle(job.mesh, angle_rad).where.to_a
      end
    end
  end
end
