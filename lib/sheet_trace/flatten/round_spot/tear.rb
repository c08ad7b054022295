# frozen_string_literal: true

require "pqueue"

module SheetTrace
  module Flatten
    class RoundSpot
      # Where two ways round the surface meet - behind a corner, at the back of a tube - triangles would be smeared over
      # all that lies between. Those that are turned over or stretched beyond a limit are laid, their shapes kept, onto
      # the neighbour that is nearest to the spot, and so torn from the other.
      class Tear
        # Singular values beyond this, or below its inverse.
        LIMIT = 1.6
        private_constant :LIMIT

        # @param patch [SpotPatch]
        # @param laid [Array<Array(Float, Float), nil>] 3 n
        # @return [Array<Array(Float, Float), nil>] 3 n
        def self.call(patch, laid) = new(patch, laid).send(:torn)

        def initialize(patch, laid)
          @patch = patch
          @laid = laid.dup
          @across = patch.across
        end
        private_class_method :new

        private

        def torn
          @wrong = wrong_rows.to_h { |row| [row, true] }
          return @laid if @wrong.empty?

          @queue = PQueue.new { |a, b| a[0] < b[0] }
          beside_wrong.each { |row| offer(row) }
          until @queue.empty?
            _, half = @queue.pop
            other = @across[half]
            next unless @wrong.delete(other / 3)

            lay(half, other)
            offer(other / 3)
          end
          @laid
        end

        # @return [Array<Integer>] rows that are right, with one that is not beside them
        def beside_wrong
          halves = @wrong.keys.flat_map { |row| @across[3 * row, 3] }
          halves.compact.map { |half| half / 3 }.uniq.sort.reject { |row| @wrong[row] }
        end

        # The spot's own triangle is never torn.
        def wrong_rows
          rows = (0...@patch.count).select { |row| placed?(row) && @patch.parents[row] != @patch.triangle }
          return rows if rows.empty?

          corners = @patch.positions
          triangles = @patch.triangles[rows, true]
          space = Array.new(3) { |k| Array.new(3) { |axis| corners[true, axis][triangles[true, k]] } }
          plane =
            Array.new(3) do |k|
              Array.new(2) { |axis| Numo::DFloat.cast(rows.map { |row| @laid[(3 * row) + k][axis] }) }
            end
          jacobians = UvMap::Jacobians.call(space, plane)
          large, small = jacobians.singular_values
          bad = (jacobians.determinant <= 0) | (large > LIMIT) | (small < 1 / LIMIT)
          rows.values_at(*(bad & (jacobians.area_mm2 > 0)).where.to_a)
        end

        def placed?(row) = @laid[3 * row, 3].all?

        def offer(row)
          return unless placed?(row)

          x, y = @laid[3 * row, 3].transpose.map { |own| own.sum / 3 }
          3.times do |k|
            other = @across[(3 * row) + k]
            @queue.push([Math.hypot(x, y), (3 * row) + k]) if other && @wrong[other / 3]
          end
        end

        def lay(half, other)
          from, to = @laid.values_at(Mesh::Welded.next(half), half)
          laid = BesideEdge.call(other, from, to) { |own| @patch.places[@patch.vertices[own]] }
          laid.each { |own, place| @laid[own] = place }
        end
      end
    end
  end
end
