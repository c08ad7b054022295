# frozen_string_literal: true

require "fiddle"

module SheetTrace
  module Geometry
    # Solves A x = b for a sparse symmetric positive definite A, by CHOLMOD (SuiteSparse) through Fiddle.
    # The matrix is factorised once and solved for many right sides.
    # Source: Chen, Davis, Hager, Rajamanickam, "Algorithm 887: CHOLMOD", ACM TOMS 35, 2008; struct offsets
    #   from cholmod_core.h of CHOLMOD 3.
    class SparseSolver
      COMMON_BYTES = 8192 # the struct is 2664 bytes in SuiteSparse 5.12
      UPPER = 1
      REAL = 1
      private_constant :COMMON_BYTES, :UPPER, :REAL

      # The C functions, opened when the first matrix is.
      module Library
        P = Fiddle::TYPE_VOIDP
        HANDLE = Fiddle.dlopen("libcholmod.so.3")
        SIGNATURES = {
          cholmod_start: [[P], Fiddle::TYPE_INT],
          cholmod_finish: [[P], Fiddle::TYPE_INT],
          cholmod_analyze: [[P, P], P],
          cholmod_factorize: [[P, P, P], Fiddle::TYPE_INT],
          cholmod_solve: [[Fiddle::TYPE_INT, P, P, P], P],
          cholmod_free_dense: [[P, P], Fiddle::TYPE_INT],
          cholmod_free_factor: [[P, P], Fiddle::TYPE_INT]
        }.freeze
        FUNCTIONS =
          SIGNATURES
            .to_h { |name, (takes, gives)| [name, Fiddle::Function.new(HANDLE[name.to_s], takes, gives)] }
            .freeze

        def self.call(name, *arguments) = FUNCTIONS.fetch(name).call(*arguments)
      end
      private_constant :Library

      # Factorises, yields the solver, and frees what CHOLMOD took.
      #
      # @param rows [Numo::Int64] m row numbers of entries on or above the diagonal; repeated ones are added up
      # @param columns [Numo::Int64] m column numbers
      # @param values [Numo::DFloat] m entries
      # @param size [Integer] n rows of the square matrix
      # @yieldparam solver [SparseSolver]
      # @return what the block returns
      def self.open(rows, columns, values, size)
        solver = new(rows, columns, values, size)
        yield solver
      ensure
        solver&.send(:close)
      end

      def initialize(rows, columns, values, size)
        @size = size
        @common = "\0".b * COMMON_BYTES
        Library.call(:cholmod_start, @common)
        @matrix = sparse(rows, columns, values)
        @factor = Library.call(:cholmod_analyze, @matrix, @common)
        Library.call(:cholmod_factorize, @matrix, @factor, @common)
      end
      private_class_method :new

      # Factorises anew with other entries at the same places; how to factorise is not worked out again.
      #
      # @param values [Numo::DFloat] m entries, in the order of those it was opened with
      def update(values)
        bytes = Grouped.sum(@ranks, values, @count).to_binary
        Fiddle::Pointer[@kept.last][0, bytes.bytesize] = bytes
        Library.call(:cholmod_factorize, @matrix, @factor, @common)
      end

      # @param right [Numo::DFloat] k x n right sides, one a row
      # @return [Numo::DFloat] k x n; not finite where the matrix is not positive definite
      def solve(right)
        count = right.shape[0]
        numbers = right.to_binary
        dense = [@size, count, @size * count, @size, Fiddle::Pointer[numbers].to_i, 0, REAL, 0].pack("Q6l2")
        answer = Library.call(:cholmod_solve, 0, @factor, dense, @common)
        return Numo::DFloat.new(count, @size).fill(Float::NAN) if answer.null?

        values = Fiddle::Pointer.new(answer[32, 8].unpack1("Q"))[0, @size * count * 8]
        Library.call(:cholmod_free_dense, [answer.to_i].pack("Q"), @common)
        Numo::DFloat.from_binary(values, [count, @size])
      end

      private

      def close
        Library.call(:cholmod_free_factor, [@factor.to_i].pack("Q"), @common)
        Library.call(:cholmod_finish, @common)
      end

      # Compressed columns, sorted, entries at one place added up. The strings are kept, as CHOLMOD points into them.
      def sparse(rows, columns, values)
        ranks, count = Grouped.pair_ranks(columns, rows, @size)
        @ranks = Numo::Int32.cast(ranks)
        @count = count
        first = Grouped.representatives(ranks, count)
        starts = Numo::Int32.zeros(@size + 1)
        starts[1..] = columns[first].bincount(minlength: @size).cumsum
        @kept = [starts, Numo::Int32.cast(rows[first]), Grouped.sum(@ranks, values, count)].map(&:to_binary)
        p, i, x = @kept.map { |bytes| Fiddle::Pointer[bytes].to_i }
        [@size, @size, count, p, i, 0, x, 0, UPPER, 0, REAL, 0, 1, 1].pack("Q8l6")
      end
    end
  end
end
