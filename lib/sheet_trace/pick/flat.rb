# frozen_string_literal: true

module SheetTrace
  module Pick
    # Picked faces and what goes on from them without bending: from face to face over edges that bend by less than an
    # angle.
    module Flat
      extend Way

      finds "faces"
      picked
      angle :angle_rad, 0..Math::PI, default: Math::PI / 180

      def self.call(job, _kind, picked:, angle_rad:)
        mesh = job.mesh
        near = mesh.face_neighbours
        normals = Geometry::Vectors.unit(mesh.face_area_vectors).to_a
        least = Math.cos(angle_rad) - 1e-9
        found = picked.to_h { |face| [face, true] }
        queue = picked.dup
        queue.each do |face|
          near[face].each do |other|
            next if found[other] || normals[face].zip(normals[other]).sum { |a, b| a * b } < least

            found[other] = true
            queue << other
          end
        end
        queue.uniq.sort
      end
    end
  end
end
