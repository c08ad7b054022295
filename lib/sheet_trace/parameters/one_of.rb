# frozen_string_literal: true

module SheetTrace
  module Parameters
    # One of a few names.
    class OneOf < Type
      # @return [Array<String>]
      attr_reader :names

      def initialize(names)
        super()
        @names = names
      end

      def validate(value, label, _context) = names.include?(value) ? value : refuse(label, value)
      def to_text = names.size == 2 ? names.join(" or ") : names.join(", ")
      def typescript = names.map { |name| %("#{name}") }.join(" | ")
    end
  end
end
