# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Sums on a large array without memory of its own for each step: fresh memory costs several times what the sums do.
    module InPlace
      # @param values [Numo::NArray] contiguous, that becomes what comes out
      # @param steps [Array<Array>] name of an operation, and what it takes: [:*, 2.0], [:clip, 0, 1]
      # @return [Numo::NArray] values
      def self.call(values, *steps)
        steps.each { |name, *others| values.inplace.public_send(name, *others) }
        values
      end
    end
  end
end
