# frozen_string_literal: true

module SheetTrace
  module References
    # One or more islands.
    class Islands < Parameters::Type
      def validate(value, _label, context)
        raise InputError, "no island is picked; pick one first" unless value.is_a?(Array) && value.any?

        value.map { |island| Island.new.validate(island, "island", context) }
      end

      def from_text(text) = text.split(",").map { |island| Integer(island, 10, exception: false) || island }
      def to_text = "a list of islands: their names, or their numbers from 0"
      def typescript = "(number | string)[]"
      def validated_typescript = "number[]"
    end
  end
end
