# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A whole number in a range.
    class Whole < Type
      # @return [Range]
      attr_reader :range

      def initialize(range)
        super()
        @range = range
      end

      def from_text(text) = Integer(text, 10, exception: false) || text
      def validate(value, label, _context) = value.is_a?(Integer) && range.cover?(value) ? value : refuse(label, value)
      def to_text = "a whole number from #{range.begin} to #{range.end}"
      def typescript = "number"
    end
  end
end
