# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A colour of sRGB, written as in CSS.
    class Color < Type
      PATTERN = /\A#\h{6}\z/

      def validate(value, label, _context)
        value.is_a?(String) && value.match?(PATTERN) ? value.downcase : refuse(label, value)
      end
      def to_text = "a colour such as #2f5a45"
      def typescript = "string"
    end
  end
end
