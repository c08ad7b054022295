# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A line of text, without blanks round it.
    class Text < Type
      # @param longest [Integer] characters; empty [Boolean] whether there may be none
      def initialize(longest, empty: false)
        super()
        @lengths = (empty ? 0 : 1)..longest
      end

      def validate(value, label, _context)
        refuse(label, value) unless value.is_a?(String) && value.valid_encoding? && !value.include?("\0")
        value.strip.then { |line| @lengths.cover?(line.size) ? line : refuse(label, value) }
      end

      def to_text = "#{@lengths.begin} to #{@lengths.end} characters"
      def typescript = "string"
    end
  end
end
