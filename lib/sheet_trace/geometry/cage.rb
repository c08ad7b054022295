# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Bends places in a box by a lattice of handles over it: smoothly, all handles together. A handle that is moved
    # draws what is near it along; with none
    # moved, everything stays.
    # Source: Sederberg, Parry, "Free-form deformation of solid geometric models", SIGGRAPH 1986: Bernstein
    #   polynomials, here in the plane.
    module Cage
      # @param places [Numo::DFloat] n x 2
      # @param box [Array(Float, Float, Float, Float)] left, top, right, bottom
      # @param columns, rows [Integer] of handles, 2 and more
      # @param shifts [Array<Array(Float, Float)>] of the handles, row by row
      # @return [Numo::DFloat] n x 2
      def self.call(places, box, columns:, rows:, shifts:)
        across, down =
          [[columns, 0], [rows, 1]].map { |count, axis| shares(places[true, axis], box[axis], box[axis + 2], count) }
        shifts
          .each_with_index
          .reduce(places) do |so_far, (shift, i)|
            next so_far if shift.all?(&:zero?)

            weight = across[i % columns] * down[i / columns]
            so_far + Vectors.columns(shift.map { |px| weight * px })
          end
      end

      # @return [Array<Numo::DFloat>] how much each handle of a line has to say at each place
      def self.shares(values, low, high, count)
        t = high > low ? ((values - low) / (high - low)).clip(0.0, 1.0) : values * 0
        degree = count - 1
        (0..degree).map { |i| (t**i) * ((1 - t)**(degree - i)) * choose(degree, i) }
      end

      def self.choose(n, k) = (1..k).reduce(1) { |product, i| product * (n - i + 1) / i }
      private_class_method :shares, :choose
    end
  end
end
