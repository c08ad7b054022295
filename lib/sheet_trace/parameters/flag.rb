# frozen_string_literal: true

module SheetTrace
  module Parameters
    # True or false.
    class Flag < Type
      def from_text(text) = { "true" => true, "1" => true, "false" => false, "0" => false }.fetch(text, text)
      def validate(value, label, _context) = [true, false].include?(value) ? value : refuse(label, value)
      def to_text = "true or false"
      def typescript = "boolean"
    end
  end
end
