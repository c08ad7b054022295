# frozen_string_literal: true

module SheetTrace
  module Geometry
    # A closed line at a distance from another, its corners mitred.
    module Offset
      # A corner goes no further out than this many times the distance.
      LONGEST_MITRE = 3.0
      private_constant :LONGEST_MITRE

      # @param loop_of [Array<Array(Float, Float)>] y down
      # @param distance [Float] outwards; inwards where it is less than 0
      # @return [Array<Array(Float, Float)>]
      def self.call(loop_of, distance)
        corners = loop_of.each_index.reject { |i| near?(loop_of[i], loop_of[i - 1]) }.map { |i| loop_of[i] }
        turn = area(corners).negative? ? -1 : 1
        corners.each_index.map do |i|
          before, at, after = corners[i - 1], corners[i], corners[(i + 1) % corners.size]
          moved(at, normal(before, at, turn), normal(at, after, turn), distance)
        end
      end

      def self.moved((x, y), first, second, distance)
        sum = first.zip(second).map(&:sum)
        length = Math.hypot(*sum)
        return x + (first[0] * distance), y + (first[1] * distance) if length < 1e-9

        # The mitre is as long as the distance over the cosine of half the turn.
        far = distance * [2 / length, LONGEST_MITRE].min
        [x + (sum[0] / length * far), y + (sum[1] / length * far)]
      end

      # @param loop_of [Array<Array(Float, Float)>]
      # @return [Float] what it goes round; below 0 where it goes the other way
      def self.area(loop_of) = loop_of.zip(loop_of.rotate).sum { |(ax, ay), (bx, by)| (ax * by) - (bx * ay) } / 2

      # Outwards, of length 1.
      def self.normal((ax, ay), (bx, by), turn)
        length = [Math.hypot(bx - ax, by - ay), 1e-12].max
        [(by - ay) / length * turn, -(bx - ax) / length * turn]
      end

      def self.near?((ax, ay), (bx, by)) = Math.hypot(bx - ax, by - ay) < 1e-9
      private_class_method :moved, :normal, :near?
    end
  end
end
