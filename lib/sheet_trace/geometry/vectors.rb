# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Arithmetic on rows of 3D vectors, Numo::DFloat n x 3.
    module Vectors
      def self.cross(a, b)
        columns(
          [
            (a[true, 1] * b[true, 2]) - (a[true, 2] * b[true, 1]),
            (a[true, 2] * b[true, 0]) - (a[true, 0] * b[true, 2]),
            (a[true, 0] * b[true, 1]) - (a[true, 1] * b[true, 0])
          ]
        )
      end

      # @return [Numo::DFloat] n inner products
      def self.dot(a, b) = a.empty? ? Numo::DFloat.zeros(0) : (a * b).sum(axis: 1)

      # @return [Numo::DFloat] n lengths
      def self.lengths(a) = Numo::NMath.sqrt(dot(a, a))

      # @return [Numo::DFloat] n x 3, each row of length 1; a row of length 0 stays 0
      def self.unit(a)
        length = lengths(a)
        length[length.eq(0)] = 1.0
        a / length.expand_dims(1)
      end

      # @param list [Array<Numo::DFloat>] k columns of n values
      # @return [Numo::DFloat] n x k
      def self.columns(list)
        Numo::DFloat
          .zeros(list.first.size, list.size)
          .tap { |out| list.each_with_index { |column, k| out[true, k] = column } }
      end
    end
  end
end
