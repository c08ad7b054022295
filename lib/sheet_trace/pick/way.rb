# frozen_string_literal: true

module SheetTrace
  module Pick
    # What a way to pick is declared with: the kinds it finds, and its parameters.
    module Way
      include References

      # @return [Array<String>] kinds that it finds; all if it says none
      def found = @found || KINDS

      def finds(*kinds) = @found = kinds.freeze

      # What is picked already, of the kind that is to be found.
      def picked(**rest) = parameter(:picked, Picked.new, "what is picked already", **rest)
    end
  end
end
