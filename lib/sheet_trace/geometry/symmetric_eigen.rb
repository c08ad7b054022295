# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Eigenvalues and eigenvectors of a small symmetric matrix.
    # Source: Jacobi's rotations, in Golub, Van Loan, "Matrix Computations", 4th edition, 8.5.
    module SymmetricEigen
      # @param matrix [Array<Array<Float>>] n x n, symmetric
      # @return [Array<Array(Float, Array<Float>)>] value and unit vector, the smallest value first
      def self.call(matrix)
        a = matrix.map(&:dup)
        n = a.size
        v = Array.new(n) { |i| Array.new(n) { |j| i == j ? 1.0 : 0.0 } }
        50.times do
          off = (0...n).to_a.combination(2).sum { |p, q| a[p][q]**2 }
          break if off <= 1e-30 * (a.flatten.sum { |x| x * x } + Float::MIN)

          (0...n).to_a.combination(2) { |p, q| rotate(a, v, p, q) unless a[p][q].zero? }
        end
        Array.new(n) { |k| [a[k][k], v.map { |row| row[k] }] }.sort_by(&:first)
      end

      def self.rotate(a, v, p, q)
        theta = (a[q][q] - a[p][p]) / (2 * a[p][q])
        t = (theta.negative? ? -1 : 1) / (theta.abs + Math.sqrt((theta * theta) + 1))
        c = 1 / Math.sqrt((t * t) + 1)
        s = t * c
        turn_columns(a, p, q, c, s)
        a[p], a[q] = [a[p].zip(a[q]).map { |x, y| (c * x) - (s * y) }, a[p].zip(a[q]).map { |x, y| (s * x) + (c * y) }]
        turn_columns(v, p, q, c, s)
      end

      def self.turn_columns(rows, p, q, c, s)
        rows.each { |row| row[p], row[q] = [(c * row[p]) - (s * row[q]), (s * row[p]) + (c * row[q])] }
      end
      private_class_method :rotate, :turn_columns
    end
  end
end
