# frozen_string_literal: true

module SheetTrace
  module Parameters
    # Three numbers that point somewhere.
    class Direction < Type
      def validate(value, label, _context)
        unless value.is_a?(Array) && value.size == 3 && value.all? { |part| finite?(part) } &&
                 value.any? { |part| part.abs >= 1e-9 }
          refuse(label, value)
        end
        value
      end

      def to_text = "three numbers, not all 0"
      def typescript = "[number, number, number]"
    end
  end
end
