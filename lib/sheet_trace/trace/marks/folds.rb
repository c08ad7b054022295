# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Where the surface is folded within an island, as between the panels of a net.
      module Folds
        # Faces that lean apart by more are folded.
        FOLD_COS = Math.cos(20 * Math::PI / 180)
        private_constant :FOLD_COS

        # @param subject [Subject]
        # @return [Array<Drawing::Strokes>]
        def self.call(subject)
          edges = subject.map.edges
          rows = (~edges.outline & folded(subject.map.mesh)[edges.mesh_edges]).where.to_a
          rows.select! { |row| subject.islands.include?(edges.islands[row]) }
          ends =
            rows.map { |row| edges.points[row, true].to_a.flat_map { |point| subject.points_px[point, true].to_a } }
          line_px = subject.options[:line_px].to_f
          if ends.empty?
            []
          else
            [
              Drawing::Strokes.of(
                ends,
                line_px: line_px,
                color: Marks.color(subject),
                dash_px: [line_px * 8, line_px * 4]
              )
            ]
          end
        end

        def self.folded(mesh)
          first, second = mesh.edges.paired_corners.map { |corners| mesh.corner_faces[corners] }
          normals = Geometry::Vectors.unit(mesh.face_area_vectors)
          rows = (Geometry::Vectors.dot(normals[first, true], normals[second, true]) < FOLD_COS).where
          Numo::Bit
            .zeros(mesh.edges.count)
            .tap { |bits| bits[mesh.edges.corner_edges[mesh.edges.paired_corners[0][rows]]] = 1 unless rows.empty? }
        end
        private_class_method :folded
      end
    end
  end
end
