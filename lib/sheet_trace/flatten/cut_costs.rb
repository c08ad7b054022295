# frozen_string_literal: true

module SheetTrace
  module Flatten
    # What it costs to cut along each edge: little where it is short, sharp, at the back or underneath, much where artwork lies.
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
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        sides = [first, second].map { |corners| normals[mesh.corner_faces[corners], true] }
        mean = (sides[0] + sides[1]) / 2
        seen = (mean[true, 2] * 0.8) + (mean[true, 1] * 0.4) # the front, and the top
        costs[rows] = costs[rows] * (1 + (Geometry::Vectors.dot(*sides).clip(0, 1) * 2)) * (1.6 + seen)
        art = Numo::Bit.zeros(mesh.face_count).tap { |bits| bits[art_faces] = 1 unless art_faces.empty? }
        under = rows[(art[mesh.corner_faces[first]] | art[mesh.corner_faces[second]]).where]
        costs[under] = costs[under] * ART unless under.empty?
        costs
      end
    end
  end
end
