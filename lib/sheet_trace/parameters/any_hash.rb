# frozen_string_literal: true

module SheetTrace
  module Parameters
    # Named values that something else declares.
    class AnyHash < Type
      def validate(value, label, _context) = value.is_a?(Hash) ? value : refuse(label, value)
      def to_text = "an object of named values"
      def typescript = "Record<string, unknown>"
    end
  end
end
