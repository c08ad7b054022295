# frozen_string_literal: true

module SheetTrace
  module Parameters
    # Left, top, width and height of a rectangle with an area.
    class Rectangle < Numbers
      def initialize(range = -100_000..100_000)
        super(4, range)
      end

      def validate(value, label, context) =
        super.tap { |box| refuse(label, value) unless box.last(2).all?(&:positive?) }
      def to_text = "left, top, width and height in px"
    end
  end
end
