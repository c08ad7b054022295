# frozen_string_literal: true

module SheetTrace
  module Parameters
    # What a value must be. A type checks and words what is wrong, reads JSON, and says itself in words and in
    # TypeScript.
    class Type
      # @param name [Symbol]
      # @return [Symbol] what a parameter of this type is called in JSON
      def plain_name(name) = name

      # @return [Object] a value of JSON as the core writes it; what is senseless comes back as it is, for check to
      #   refuse
      def from_plain(value) = value

      # @return [Object] a value of the core as JSON writes it
      def to_plain(value) = value

      # @param text [String] of a query
      # @return [Object] the value that it stands for, as JSON would have it; what is senseless comes back as it is
      def from_text(text) = text

      # @param label [String] what is validated, for the message
      # @param context [Object] what the types of the job's words look at
      # @return [Object] the value as the core uses it
      # @raise [InputError]
      def validate(value, label, context) = raise NotImplementedError

      # @return [String] what to give, such as "a number from 0 to 1"
      def to_text = raise NotImplementedError

      # @return [String] what may be given
      def typescript = raise NotImplementedError

      # @return [String] what a value is once it is validated, as answers have it
      def validated_typescript = typescript

      private

      def refuse(label, value, advice = "give #{to_text}")
        raise InputError, "#{label} is #{value.inspect.slice(0, 60)}; #{advice}"
      end

      def finite?(value) = value.is_a?(Numeric) && value.to_f.finite?
    end
  end
end
