# frozen_string_literal: true

module SheetTrace
  module Pick
    # All faces that look the same way as picked ones do on the whole, within an angle.
    module Facing
      extend Way

      finds "faces"
      picked
      angle :angle_rad, 0..Math::PI, default: Math::PI / 6

      def self.call(job, _kind, picked:, angle_rad:)
        return [] if picked.empty?

        normals = Geometry::Vectors.unit(job.mesh.face_area_vectors)
        mean = Geometry::Vectors.unit(job.mesh.face_area_vectors[picked, true].sum(axis: 0).reshape(1, 3))
        (normals.dot(mean.flatten) >= Math.cos(angle_rad) - 1e-9).where.to_a
      end
    end
  end
end
