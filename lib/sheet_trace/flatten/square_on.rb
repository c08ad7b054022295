# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Shows each face as seen straight on, in true shape, upright.
    module SquareOn
      # @param mesh [Mesh]
      # @return [Numo::DFloat] C x 2: corners of each face in its own plane, model units, x right and y up as
      #   seen from outside, the least x and y of each face at 0
      def self.call(mesh)
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        x_axis, y_axis = Axes.call(normals)
        faces = mesh.corner_faces
        positions = mesh.positions[mesh.corner_vertices, true]
        flat =
          [x_axis, y_axis].map do |axis|
            values = Geometry::Vectors.dot(positions, axis[faces, true])
            values - Geometry::Grouped.extremes(faces, values, mesh.face_count).first[faces]
          end
        Geometry::Vectors.columns(flat)
      end
    end
  end
end
