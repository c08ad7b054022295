# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The surface beside a line on it, laid straight: places by how far along the line, and how far beside it. Each
    # segment of the line has its own slab, unfolded from the segment's triangle and cut where it meets the next by the
    # middle of their angle. Immutable; lengths are the model's units.
    class Strip
      # How far slabs reach over each other, as a share of the half width, so that no gap shows.
      OVERLAP = 0.02
      # Triangles of one slab at the most.
      MOST = 4000
      Triple = Geometry::Triple
      # Tangents of leans that differ by less are the same.
      SAME = 1e-6
      private_constant :OVERLAP, :MOST, :Triple, :SAME

      # @return [Numo::Int64] n rows of Mesh#triangulation that the pieces are of
      attr_reader :parents
      # @return [Numo::DFloat] n x 3 x 3: of each piece's corners, the shares of its parent's corners
      attr_reader :shares
      # @return [Numo::DFloat] n x 3: how far along the line the pieces' corners lie, and how far beside it, on its left
      attr_reader :along, :beside
      # @return [Float] of the line
      attr_reader :length
      # @return [Boolean] whether the line comes back to its start
      attr_reader :closed

      # @param mesh [Mesh]
      # @param line [Array<LevelLine::Segment>] end to end
      # @param half [Float] how far to either side
      # @param closed [Boolean]
      # @return [Strip]
      def self.call(mesh, line, half, closed:) = new(mesh, line, half, closed)

      def initialize(mesh, line, half, closed)
        @surface = mesh.welded
        @half = half
        @closed = closed
        line =
          line.map { |segment| [segment, ends(segment)] }.reject { |_, (from, to)| Triple.distance(from, to).zero? }
        @length = line.sum { |_, (from, to)| Triple.distance(from, to) }
        keep(line)
        @surface = nil
        freeze
      end
      private_class_method :new

      # @return [Integer] in memory
      def bytesize = [parents, shares, along, beside].sum(&:byte_size)

      private

      def ends(segment)
        corners = @surface.corners(segment.triangle)
        [segment.from, segment.to].map { |shares| Triple.blend(corners, shares) }
      end

      def keep(line)
        pieces = pieces(line)
        @parents = Numo::Int64.cast(pieces.map(&:first))
        count = pieces.size
        corners = pieces.map(&:last)
        @shares = Numo::DFloat.zeros(count, 3, 3)
        @along, @beside = Array.new(2) { Numo::DFloat.zeros(count, 3) }
        unless corners.empty?
          @shares[] = Numo::DFloat.cast(corners.map { |own| own.map(&:first) })
          [along, beside].each_with_index do |values, k|
            values[] = Numo::DFloat.cast(corners.map { |own| own.map { |corner| corner[k + 1] } })
          end
        end
        [parents, shares, along, beside].each(&:freeze)
      end

      # @return [Array<Array(Integer, Array)>] parent, and of three corners: shares, along and beside
      def pieces(line)
        slabs = line.map { |segment, ends| Slab.new(@surface, segment, Triple.distance(*ends)) }
        turns = slabs.each_index.map { |i| turns(slabs, i) }
        turns << (closed ? turns[0] : [0.0, 0.0])
        start = 0.0
        slabs.each_with_index.flat_map do |slab, i|
          found =
            sides(turns[i], turns[i + 1]).flat_map do |across, leans|
              slab
                .pieces(across, leans, OVERLAP * @half, MOST)
                .map { |triangle, own| [triangle, measured(own, slab, leans, start)] }
            end
          start += slab.length
          found
        end
      end

      # @return [Array(Float, Float)] on the left and the right, at a slab's start
      def turns(slabs, i) = i.zero? && !closed ? [0.0, 0.0] : Turns.call(@surface, slabs[i - 1], slabs[i])

      # @return [Array<Array(Range, Array(Float, Float))>] how far beside the line, and by what tangents a slab's start
      #   and end lean there: one for both sides where they are the same
      def sides(*turns)
        left, right = turns.transpose.map { |side| side.map { |turn| Math.tan(turn.clamp(-2.8, 2.8) / 2) } }
        return [[-@half..@half, left]] if left.zip(right).all? { |own, other| (own - other).abs < SAME }

        [[0.0..@half, left], [-@half..0.0, right]]
      end

      def measured(corners, slab, (first, last), start)
        corners.map do |shares, x, y|
          own = [slab.length - (y * (first + last)), slab.length * 0.02].max
          [shares, start + ((x - (y * first)) / own * slab.length), y]
        end
      end
    end
  end
end
