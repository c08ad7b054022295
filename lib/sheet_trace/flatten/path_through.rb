# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The line on the surface through spots, one after the other: between two of them it is straight as seen along the
    # surface's normal there, over seams, islands and parts. Along edges of the model, which have both ends on one
    # triangle, it keeps to them.
    class PathThrough
      Triple = Geometry::Triple
      Segment = LevelLine::Segment
      # What lies nearer than this share of the model's size lies at the same place.
      NEAR = 1e-6
      # Triangles round a spot that it may lie on.
      ROUND = 64
      private_constant :Triple, :Segment, :NEAR, :ROUND

      # at [Array(Float, Float, Float)]; triangles [Hash{Integer => Array}] that it lies on, and its shares of each
      # normal [Array(Float, Float, Float)] the mean of theirs
      Spot = Struct.new(:at, :triangles, :normal)
      private_constant :Spot

      # @param mesh [Mesh]
      # @param spots [Array<Array(Integer, Array(Float, Float, Float))>] face, and place in model units
      # @param closed [Boolean] whether it goes back to the first
      # @return [Array<LevelLine::Segment>] end to end
      # @raise [MeshError] where the surface ends between two spots; where: { spot: } the first of them
      def self.call(mesh, spots, closed: false) = new(mesh).send(:through, spots, closed)

      def initialize(mesh)
        @mesh = mesh
        @surface = mesh.welded
        low, high = mesh.bounds
        @near = NEAR * Triple.distance(low, high)
      end
      private_class_method :new

      private

      def through(spots, closed)
        found = spots.map { |face, at| spot(face, at) }
        found << found.first if closed
        found.each_cons(2).with_index.flat_map { |(from, to), i| between(from, to, i) }
      end

      def spot(face, at)
        start, shares = @mesh.nearest_spot([face], at)
        place = Triple.blend(@surface.corners(start), shares)
        triangles = touching(start, shares, place)
        normals = triangles.keys.map { |triangle| @surface.normal(triangle) }
        Spot.new(place, triangles, Triple.unit(normals.reduce { |sum, own| sum.zip(own).map(&:sum) }))
      end

      def touching(start, shares, place)
        found = { start => shares }
        queue = [start]
        queue.each do |triangle|
          break if found.size >= ROUND

          beside(triangle).each do |other|
            next if found.key?(other)

            own = Geometry::NearestOnTriangle.call(@surface.corners(other), place)
            next if Triple.distance(Triple.blend(@surface.corners(other), own), place) > @near

            found[other] = own
            queue << other
          end
        end
        found
      end

      def beside(triangle) = Array.new(3) { |k| @surface.across[(3 * triangle) + k] }.compact.map { |half| half / 3 }

      def between(from, to, index)
        return [] if Triple.distance(from.at, to.at) <= @near

        common = from.triangles.keys.find { |triangle| to.triangles.key?(triangle) }
        return [Segment.new(common, from.triangles[common], to.triangles[common])] if common

        run(from, to) ||
          raise(
            MeshError.new(
              "the surface ends between spots #{index + 1} and #{index + 2} of the path; set another between them",
              where: {
                spot: index
              }
            )
          )
      end

      # From triangle to triangle in the plane through both spots that stands upright on the surface.
      def run(from, to)
        way = Triple.minus(to.at, from.at)
        across = Triple.unit(Triple.cross(way, from.normal.zip(to.normal).map(&:sum)))
        return if across.all?(&:zero?)

        side = ->(place) do
          Triple.dot(Triple.minus(place, from.at), across).then { |off| off.abs < @near ? @near : off }
        end
        triangle, shares, out = start(from, way, side)
        found = []
        while triangle
          found << Segment.new(triangle, shares, out.last)
          over = @surface.across[(3 * triangle) + out.first] or return
          triangle = over / 3
          return if found.size > @mesh.triangulation.count

          shares = reversed(out.last, out.first, over % 3)
          return found << Segment.new(triangle, shares, to.triangles[triangle]) if to.triangles.key?(triangle)

          out = exits(triangle, side).find { |edge, _shares| edge != over % 3 }
          return unless out
        end
      end

      # The triangle at the first spot that leads furthest towards the second.
      def start(from, way, side)
        from
          .triangles
          .flat_map { |triangle, shares| exits(triangle, side).map { |out| [triangle, shares, out] } }
          .max_by do |triangle, _shares, (_edge, out)|
            Triple.dot(Triple.minus(Triple.blend(@surface.corners(triangle), out), from.at), way)
          end
      end

      # @return [Array<Array(Integer, Array(Float, Float, Float))>] edges of a triangle that the plane cuts, and where
      def exits(triangle, side)
        off = @surface.corners(triangle).map(&side)
        (0..2).filter_map do |k|
          after = (k + 1) % 3
          next if off[k].positive? == off[after].positive?

          share = off[k] / (off[k] - off[after])
          [k, [0.0, 0.0, 0.0].tap { |own| own[k], own[after] = [1 - share, share] }]
        end
      end

      # Shares of a place on an edge, as the triangle beyond it has them.
      def reversed(shares, edge, beyond)
        [0.0, 0.0, 0.0].tap { |own| own[(beyond + 1) % 3], own[beyond] = [shares[edge], shares[(edge + 1) % 3]] }
      end
    end
  end
end
