# frozen_string_literal: true

module SheetTrace
  module Parameters
    # An angle: radians in the core, degrees in JSON and in words.
    class Angle < Type
      DEGREES = 180 / Math::PI
      private_constant :DEGREES

      # @param range [Range] radians
      def initialize(range)
        super()
        @range = range
      end

      def plain_name(name) = name.to_s.sub(/_rad\z/, "_deg").to_sym
      def from_text(text) = Float(text, exception: false) || text
      def from_plain(value) = value.is_a?(Numeric) ? value * Math::PI / 180 : value
      def to_plain(value) = value.is_a?(Numeric) ? value * DEGREES : value

      def validate(value, label, _context)
        return value if finite?(value) && @range.cover?(value)

        raise InputError,
              "#{label} is #{value.is_a?(Numeric) ? "#{(value * DEGREES).round(2)}°" : value.inspect.slice(0, 60)}; " \
                "give #{to_text}"
      end

      def to_text = "degrees from #{limit(@range.begin)} to #{limit(@range.end)}"
      def typescript = "number"

      private

      def limit(radians) = Number.plain((radians * DEGREES).round(2))
    end
  end
end
