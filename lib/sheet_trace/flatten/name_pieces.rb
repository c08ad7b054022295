# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Names the pieces that a surface is cut into, as Mesh::NamePatches does.
    module NamePieces
      # @param cut [Cut]
      # @return [Array<String>] by piece, no two alike
      def self.call(cut)
        return [] if cut.piece_count.zero?

        mesh = cut.mesh
        vectors = mesh.face_area_vectors
        areas = Geometry::Grouped.sum(cut.face_pieces, Geometry::Vectors.lengths(vectors), cut.piece_count)
        areas[areas.eq(0)] = 1.0
        normals = Geometry::Grouped.sum_rows(cut.face_pieces, vectors, cut.piece_count) / areas.expand_dims(1)
        Mesh::NamePatches.call(normals, parts(cut), middles(cut))
      end

      def self.parts(cut)
        return Array.new(cut.piece_count) if cut.mesh.parts.size < 2

        part = Numo::Int32.zeros(cut.piece_count)
        part[cut.face_pieces] = cut.mesh.face_parts
        cut.mesh.parts.values_at(*part.to_a)
      end

      def self.middles(cut)
        positions = cut.mesh.positions[cut.point_vertices, true]
        Array
          .new(3) do |axis|
            low, high = Geometry::Grouped.extremes(cut.point_pieces, positions[true, axis].copy, cut.piece_count)
            ((low + high) / 2).to_a
          end
          .transpose
      end
      private_class_method :parts, :middles
    end
  end
end
