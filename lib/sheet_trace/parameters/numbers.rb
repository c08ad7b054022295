# frozen_string_literal: true

module SheetTrace
  module Parameters
    # Several numbers that belong together, such as a place or a size.
    class Numbers < Type
      WIDE = (-1_000_000_000.0..1_000_000_000.0)
      COUNTS = { 2 => "two", 3 => "three", 4 => "four" }.freeze
      private_constant :COUNTS

      # @param count [Integer]; range [Range] of each
      def initialize(count, range = WIDE)
        super()
        @count = count
        @number = Number.new(range)
      end

      def validate(value, label, context)
        refuse(label, value) unless value.is_a?(Array) && value.size == @count && value.all? { |part| finite?(part) }
        value.map { |part| @number.validate(part, label, context) }
      end

      def to_text = "#{COUNTS.fetch(@count, @count)} numbers"
      def typescript = "[#{(["number"] * @count).join(", ")}]"
    end
  end
end
