# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Turn, even scale and move, mirrored if wanted, that take points nearest to others by least squares.
    # Source: Umeyama, "Least-squares estimation of transformation parameters between two point patterns", IEEE
    #   TPAMI 13, 1991;
    #   in the plane its singular values come down to one angle.
    module Similarity
      # @param from [Numo::DFloat] n x 2; to [Numo::DFloat] n x 2, n at least 2
      # @param mirrored [Boolean, nil] whether the map turns shapes over; whatever comes nearer if nil, which takes
      #   3 points
      # @return [Affine]
      # @raise [InputError] if all points of from are the same
      def self.fit(from, to, mirrored: false)
        if mirrored.nil?
          return(
            [false, true].map { |over| fit(from, to, mirrored: over) }.min_by { |map| ((map.apply(from) - to)**2).sum }
          )
        end

        middle, target = [from, to].map { |points| points.mean(axis: 0).to_a }
        p = columns(from, middle)
        p[1] = -p[1] if mirrored
        Affine.move(*target) * turn_and_scale(p, columns(to, target)) * Affine.scale(1, mirrored ? -1 : 1) *
          Affine.move(*middle.map(&:-@))
      end

      def self.turn_and_scale(p, q)
        spread = p.sum { |column| (column**2).sum }
        unless spread.positive?
          raise InputError.new("points that all lie in one place don't fix a similarity", where: { points: p[0].size })
        end

        cos = ((p[0] * q[0]) + (p[1] * q[1])).sum / spread
        sin = ((p[0] * q[1]) - (p[1] * q[0])).sum / spread
        Affine.new(cos, -sin, 0.0, sin, cos, 0.0)
      end

      def self.columns(points, middle) = Array.new(2) { |axis| points[true, axis] - middle[axis] }
      private_class_method :turn_and_scale, :columns
    end
  end
end
