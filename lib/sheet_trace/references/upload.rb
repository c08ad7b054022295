# frozen_string_literal: true

module SheetTrace
  module References
    # A file of a kind that was brought in, by its digest or by its name.
    class Upload < Parameters::Type
      # @param word [String] what one is called
      # @yieldparam file [Object] that was brought in, or nil
      # @yieldreturn [Boolean] whether it is one of the kind
      def initialize(word, &kind)
        super()
        @word = word
        @kind = kind
      end

      # @return [Object] itself, where it is one already
      def validate(value, _label, context)
        return value if @kind.call(value)

        found = value.is_a?(String) && context.pictures.call(value)
        return found if @kind.call(found)

        raise InputError, "there is no #{@word} #{value.inspect.slice(0, 60)} in the job; bring it in first"
      end

      def to_plain(value) = value.is_a?(String) ? value : value.to_h
      def to_text = "a #{@word}: its digest or its name"
      def typescript = "string"
    end
  end
end
