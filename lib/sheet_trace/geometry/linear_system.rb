# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Small dense systems of equations.
    # Source: Gaussian elimination with partial pivoting, in Golub, Van Loan, "Matrix Computations", 4th edition, 3.4.
    module LinearSystem
      SINGULAR = 1e-13
      private_constant :SINGULAR

      # @param matrix [Array<Array<Float>>] n x n; right [Array<Float>] n
      # @return [Array<Float>, nil] n; nil where the equations don't fix a solution
      def self.solve(matrix, right)
        rows = matrix.zip(right).map { |row, value| [*row.map(&:to_f), value.to_f] }
        size = rows.size
        largest = matrix.flatten.map(&:abs).max.to_f
        solvable =
          (0...size).all? do |k|
            pivot = (k...size).max_by { |i| rows[i][k].abs }
            rows[k], rows[pivot] = rows[pivot], rows[k]
            next false if rows[k][k].abs <= SINGULAR * largest

            ((k + 1)...size).each { |i| subtract(rows[i], rows[k], k) }
          end
        back_substituted(rows) if solvable
      end

      def self.back_substituted(rows)
        size = rows.size
        (size - 1)
          .downto(0)
          .with_object(Array.new(size)) do |k, solution|
            solution[k] = (rows[k][size] - ((k + 1)...size).sum { |j| rows[k][j] * solution[j] }) / rows[k][k]
          end
      end

      def self.subtract(row, pivot, column)
        factor = row[column] / pivot[column]
        (column...row.size).each { |j| row[j] -= factor * pivot[j] } unless factor.zero?
      end
      private_class_method :back_substituted, :subtract
    end
  end
end
