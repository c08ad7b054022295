# frozen_string_literal: true

module SheetTrace
  module Flatten
    # What it costs to cut along each edge: little where it is short, sharp, at the back or underneath, much where
    # artwork lies.
    # Common practice, no source.
    module CutCosts
      ART = 8.0
      private_constant :ART

      # @param mesh [Mesh]
      # @param art_faces [Array<Integer>] that carry artwork
      # @return [Numo::DFloat] E
      def self.call(mesh, art_faces: [])
        costs = mesh.edge_lengths.copy
        first, second = mesh.edges.paired_corners
        return costs if first.empty?

        rows = mesh.edges.corner_edges[first]
        sides = [first, second].map { |corners| mesh.corner_faces[corners] }
        costs[rows] = costs[rows] * sharpness(mesh, sides)
        art = Numo::Bit.zeros(mesh.face_count).tap { |bits| bits[art_faces] = 1 unless art_faces.empty? }
        under = rows[sides.map { |faces| art[faces] }.reduce(:|).where]
        costs[under] = costs[under] * ART unless under.empty?
        costs
      end

      def self.sharpness(mesh, sides)
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        a, b = sides.map { |faces| normals[faces, true] }
        mean = (a + b) / 2
        seen = (mean[true, 2] * 0.8) + (mean[true, 1] * 0.4) # the front, and the top
        (1 + (Geometry::Vectors.dot(a, b).clip(0, 1) * 2)) * (1.6 + seen)
      end
      private_class_method :sharpness
    end
  end
end
