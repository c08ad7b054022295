# frozen_string_literal: true

module SheetTrace
  module Pick
    # Elements of the kind that is picked, by their indices; there may be none.
    class Picked < Parameters::Type
      def validate(value, label, context)
        References::Elements.new(context.kind, some: false).validate(value, label, context)
      end
      def to_text = "a list of what is picked: numbers from 0"
      def typescript = "number[]"
    end
  end
end
