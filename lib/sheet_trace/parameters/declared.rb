# frozen_string_literal: true

module SheetTrace
  module Parameters
    # A frozen value whose members are the parameters that its class declares. Equal to another with the same values,
    # so that it serves as a key.
    class Declared
      # @param values [Hash{Symbol => Object}] those that are lacking take their defaults
      # @raise [InputError] where one is lacking or not known
      def initialize(**values)
        @values = self.class.filled(values).freeze
        freeze
      end

      # A class's own words, and a reader for each member.
      def self.inherited(declared)
        super
        declared.extend(References)
        declared.extend(Readers)
      end

      # Gives each parameter a method that reads it.
      module Readers
        def parameter(name, ...)
          super
          define_method(name) { @values.fetch(name) }
        end
      end
      private_constant :Readers

      def to_h = @values

      # @return [Declared] with some members changed
      def with(**changes) = self.class.new(**@values, **changes)

      def ==(other) = other.instance_of?(self.class) && other.to_h == @values
      alias eql? ==
      def hash = [self.class, @values].hash

      # @param context [References::Context]
      # @return [Declared] its values validated, names turned into indices
      # @raise [InputError]
      def validated(context) = self.class.new(**self.class.validated(@values, context))
    end
  end
end
