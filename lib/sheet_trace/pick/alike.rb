# frozen_string_literal: true

module SheetTrace
  module Pick
    # Faces that share a number with picked ones.
    module Alike
      # @param numbers [Numo::Int32] F
      # @return [Array<Integer>]
      def self.call(picked, numbers)
        return [] if picked.empty?

        Touching.bits(numbers.max + 1, numbers[picked])[numbers].where.to_a
      end
    end
  end
end
