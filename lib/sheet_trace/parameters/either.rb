# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A value of one type or of another: the first that takes it.
    class Either < Type
      # @param types [Array<Type>]
      def initialize(*types)
        super()
        @types = types
      end

      def validate(value, label, context)
        problems =
          @types.map do |type|
            return type.validate(value, label, context)
          rescue InputError => e
            e
          end
        raise problems.last
      end

      def to_text = @types.map(&:to_text).join(", or ")
      def typescript = @types.map(&:typescript).join(" | ")
    end
  end
end
