# frozen_string_literal: true

module SheetTrace
  module References
    # An entry of a list of the job, by its index or by its name.
    class Entry < Parameters::Type
      # @param word [String] what one is called; names [#call] takes the job, gives the names in order
      # @param none [String, nil] what to say where the list is empty
      def initialize(word, names, none: nil)
        super()
        @none = none
        @word = word
        @names = names
      end

      def validate(value, _label, context)
        names = @names.call(context.job)
        raise InputError, @none if @none && names.empty?

        return value if value.is_a?(Integer) && value.between?(0, names.size - 1)

        found = names.each_index.select { |index| names[index] == value }
        return found.first if found.size == 1
        raise InputError, "#{found.size} #{@word}s are called #{value.inspect}; give one's number" if found.size > 1

        raise InputError, "there is no #{@word} #{value.inspect.slice(0, 60)}; there are #{names.size}, counted from 0"
      end

      def from_text(text) = Integer(text, 10, exception: false) || text
      def to_text = "a #{@word}: its name, or its number from 0"
      def typescript = "number | string"
      def validated_typescript = "number"
    end
  end
end
