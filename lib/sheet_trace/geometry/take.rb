# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Elements of a large array as an array of their own. An index alone gives a view, and each operation on a view
    # reads through the index anew, at ten times the cost; Numo's copy takes two to four times as long as its store.
    module Take
      # @param values [Numo::NArray]; at [Array<Numo::NArray, Range, true>] as its [] takes them
      # @return [Numo::NArray] of the same kind
      def self.call(values, *at) = copy(values[*at])

      # @param values [Numo::NArray] itself, or a view
      # @return [Numo::NArray] of the same kind and shape
      def self.copy(values) = values.class.new(*values.shape).store(values)
    end
  end
end
