# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The line of one height (y) on the surface that passes through a triangle, over seams, islands and parts.
    module LevelLine
      # A part of a line within one triangle.
      #
      # triangle [Integer]; from, to [Array(Float, Float, Float)] shares of its corners
      Segment = Struct.new(:triangle, :from, :to)
      # What lies nearer to the height lies above it, as a share of the model's size, so that no corner lies on it.
      NEAR = 1e-9
      private_constant :NEAR

      # @param mesh [Mesh]
      # @param face [Integer] that is meant, if it reaches the height
      # @param at [Array(Float, Float, Float)] model units; its y is the height
      # @return [Integer, nil] of the triangles that reach the height the face's, or the nearest; nil if none does
      def self.triangle_at(mesh, face, at)
        heights = mesh.positions[true, 1][mesh.corner_vertices[mesh.triangulation.corners]]
        reaching = ((heights.min(axis: 1) < at[1]) & (heights.max(axis: 1) > at[1])).where.to_a
        own = reaching & mesh.face_triangles(face).to_a
        (own.empty? ? reaching : own).min_by do |triangle|
          corners = mesh.welded.corners(triangle)
          Geometry::Triple.distance(Geometry::Triple.blend(corners, Geometry::NearestOnTriangle.call(corners, at)), at)
        end
      end

      # The line runs with what is above on its left, and starts as far from the triangle as it goes, so that what lies
      # there is in its middle.
      #
      # @param surface [Mesh::Welded]
      # @param triangle [Integer] that the line passes through
      # @param height [Float] model units
      # @return [Array(Array<Segment>, Boolean)] end to end, and whether the line is closed; none where the triangle
      #   lies beside the height
      def self.call(surface, triangle, height)
        return [], false unless segment(surface, triangle, height)

        before = run(surface, triangle, height, :entry)
        return rotated(before.reverse), true if before.size > 1 && closed?(surface, before, height)

        [before.reverse + run(surface, triangle, height, :exit).drop(1), false]
      end

      # @return [Array<Segment>] from a triangle on, against the line's run for :entry, until it comes round or ends
      def self.run(surface, triangle, height, by)
        found = {}
        while triangle && !found.key?(triangle)
          own, halves = segment(surface, triangle, height)
          break unless own

          found[triangle] = own
          over = surface.across[halves.fetch(by)]
          triangle = over && (over / 3)
        end
        found.values
      end

      def self.closed?(surface, against, height)
        _, halves = segment(surface, against.last.triangle, height)
        over = surface.across[halves[:entry]]
        over && over / 3 == against.first.triangle
      end

      def self.rotated(segments) = segments.rotate(((segments.size - 1) / 2) + segments.size)

      # @return [Array(Segment, Hash), nil] the segment within a triangle, and the half-edges it comes in and goes out
      #   by
      def self.segment(surface, triangle, height)
        places = surface.corners(triangle)
        size = places.flatten.map(&:abs).max
        off = places.map { |place| (place[1] - height).then { |own| own.abs < NEAR * size ? NEAR * size : own } }
        entry = (0..2).find { |k| off[k].positive? && off[(k + 1) % 3].negative? }
        exit = (0..2).find { |k| off[k].negative? && off[(k + 1) % 3].positive? }
        return unless entry && exit

        from, to = [entry, exit].map { |k| shares_on(k, off) }
        [Segment.new(triangle, from, to), { entry: (3 * triangle) + entry, exit: (3 * triangle) + exit }]
      end

      def self.shares_on(edge, off)
        share = off[edge] / (off[edge] - off[(edge + 1) % 3])
        [0.0, 0.0, 0.0].tap do |shares|
          shares[edge] = 1 - share
          shares[(edge + 1) % 3] = share
        end
      end
      private_class_method :run, :closed?, :rotated, :segment, :shares_on
    end
  end
end
