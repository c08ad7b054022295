# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The surface round a spot lying flat, the spot at 0, 0, as seen from outside and standing upright: across seams,
    # islands and parts. Immutable; lengths are the model's units.
    class RoundSpot
      # smooth: laid on without a crack as long as the surface allows; creased: every face keeps its shape, and cracks
      # open where they can't lie beside each other; square_on: as seen straight at the spot, what looks that way
      WAYS = %w[smooth creased square_on].freeze
      # Faces that lean away by more are not seen square-on.
      SEEN_COS = Math.cos(80 * Math::PI / 180)
      # An edge is one that a patch may stop at where its faces bend by more.
      EDGE_COS = Math.cos(40 * Math::PI / 180)
      # How far beyond the reach the surface is looked at.
      MORE = 1.05
      private_constant :SEEN_COS, :EDGE_COS, :MORE

      # @return [Numo::Int64] n rows of Mesh#triangulation that the pieces are of
      attr_reader :parents
      # @return [Numo::DFloat] n x 3 x 3: of each piece's corners, the shares of its parent's corners
      attr_reader :shares
      # @return [Numo::DFloat] n x 3 x 2: where the pieces' corners lie
      attr_reader :places
      # @return [Numo::DFloat] n: areas on the model; n: ratios of the singular values, 1 where shapes are kept
      attr_reader :areas, :stretches
      # @return [Numo::DFloat] n: how much larger pieces lie than they are, by lengths
      attr_reader :scales
      # @return [Numo::DFloat] c x 6: both ends of the cracks, on one side and on the other x, y, x, y, and their
      #   lengths on the model twice
      attr_reader :cracks

      # @param mesh [Mesh]
      # @param triangle [Integer] of its triangulation; shares [Array(Float, Float, Float)] of its corners in the spot
      # @param reach [Float] how far from the spot it is wanted
      # @param way [String] of WAYS
      # @param over_edges [Boolean] whether it goes round edges of the model
      # @param depth [Float, nil] for square_on: how far before and behind the spot; the reach if nil
      # @return [RoundSpot]
      def self.call(mesh, triangle, shares, reach:, way: "smooth", over_edges: true, depth: nil)
        surface = mesh.welded
        normal = surface.normal(triangle)
        over =
          lambda do |half|
            beside = surface.normal(surface.across[half] / 3)
            next false unless over_edges || bend(surface, half, beside) > EDGE_COS

            way != "square_on" || Geometry::Triple.dot(beside, normal) > SEEN_COS
          end
        patch = SpotPatch.new(surface, triangle, shares, reach * MORE, &over)
        new(patch, normal, reach, way, depth || reach)
      end

      def self.bend(surface, half, beside) = Geometry::Triple.dot(surface.normal(half / 3), beside)
      private_class_method :bend

      def initialize(patch, normal, reach, way, depth)
        axes = Axes.call(Numo::DFloat[normal]).map { |axis| axis.to_a.first }
        laid =
          case way
          when "smooth"
            Smooth.call(patch, axes, reach * MORE)
          when "creased"
            Creased.call(patch, axes, reach * MORE)
          else
            SquareOn.call(patch, axes, normal, depth)
          end
        off = Geometry::Triple.minus(patch.wanted, patch.spot)
        keep(patch, laid, axes.map { |axis| Geometry::Triple.dot(off, axis) })
        freeze
      end
      private_class_method :new

      # @return [Integer] in memory
      def bytesize = [parents, shares, places, areas, stretches, scales, cracks].sum(&:byte_size)

      private

      # @param laid [Array<Array(Float, Float), nil>] 3 n
      # @param origin [Array(Float, Float)] of the places
      def keep(patch, laid, origin)
        rows = (0...patch.count).select { |row| laid[3 * row, 3].all? }
        @parents = Numo::Int64.cast(patch.parents.values_at(*rows))
        @shares = Numo::DFloat.cast(rows.flat_map { |row| patch.shares[3 * row, 3] }.flatten).reshape(rows.size, 3, 3)
        @places =
          Numo::DFloat.cast(rows.flat_map { |row| laid[3 * row, 3] }.flatten).reshape(rows.size, 3, 2) -
            Numo::DFloat[[origin]]
        measure(patch, rows)
        cracks = open_edges(patch, laid)
        @cracks = cracks.empty? ? Numo::DFloat.zeros(0, 6) : Numo::DFloat.cast(cracks)
        instance_variables.each { |name| instance_variable_get(name).freeze }
      end

      def measure(patch, rows)
        corners = patch.positions
        triangles = patch.triangles[rows, true]
        space = Array.new(3) { |k| Array.new(3) { |axis| corners[true, axis][triangles[true, k]] } }
        plane = Array.new(3) { |k| Array.new(2) { |axis| @places[true, k, axis] } }
        jacobians = UvMap::Jacobians.call(space, plane)
        large, small = jacobians.singular_values
        @areas = jacobians.area_mm2
        @stretches = large / Numo::DFloat.maximum(small, (large * 1e-6) + Float::MIN)
        @scales = Numo::NMath.sqrt(large * small)
      end

      # Edges whose two sides lie apart.
      def open_edges(patch, laid)
        across = patch.across
        across.each_index.filter_map do |half|
          other = across[half]
          next if other.nil? || other < half

          near = laid.values_at(half, Mesh::Welded.next(half))
          far = laid.values_at(Mesh::Welded.next(other), other)
          next if near == far || !near.all? || !far.all?

          length =
            Geometry::Triple.distance(
              *patch.places.values_at(*[half, Mesh::Welded.next(half)].map { |h| patch.vertices[h] })
            )
          gap = near.zip(far).map { |a, b| Math.hypot(a[0] - b[0], a[1] - b[1]) }.max
          [*near.flatten, length, length] if gap > 0.02 * length
        end
      end
    end
  end
end
