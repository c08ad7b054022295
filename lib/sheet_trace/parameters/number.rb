# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A number in a range.
    class Number < Type
      # @return [Range]
      attr_reader :range

      def initialize(range)
        super()
        @range = range
      end

      # @return [String] without decimals where there are none
      def self.plain(number) = number.to_i == number ? number.to_i.to_s : number.to_s

      def from_text(text) = Integer(text, 10, exception: false) || Float(text, exception: false) || text
      def validate(value, label, _context) = finite?(value) && range.cover?(value) ? value : refuse(label, value)
      def to_text = "a number from #{Number.plain(range.begin)} to #{Number.plain(range.end)}"
      def typescript = "number"
    end
  end
end
