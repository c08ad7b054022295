# frozen_string_literal: true

module SheetTrace
  module References
    # One face, edge, corner or point, by its index.
    class Element < Elements
      def validate(value, _label, context)
        count = @count.call(context.job)
        return value if value.is_a?(Integer) && value.between?(0, count - 1)

        raise InputError.new(
                "there is no #{@word} #{value.inspect.slice(0, 60)}; #{@owner} #{count}, counted from 0",
                where: {
                  @kind => value
                }
              )
      end

      def to_text = "one #{@word}: its number from 0"
      def typescript = "number"
    end
  end
end
