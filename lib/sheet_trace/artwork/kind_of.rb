# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A parameter that is one of a table's kinds: "kind" with its name, and beside it what that kind declares. Also
    # how such values are kept.
    class KindOf < Parameters::Type
      # @param table [Registry] of classes of Parameters::Declared
      def initialize(table)
        super()
        @table = table
      end

      # @return [Hash] plain values for a document
      def self.to_document(table, value) = { kind: name_of(table, value), **value.to_document }

      # @param plain [Hash] as .to_document gives, with symbols for keys
      def self.from_document(table, plain) = table.fetch(plain[:kind]).from_document(plain.except(:kind))

      # @return [String]
      def self.name_of(table, value) = table.names.find { |name| table.fetch(name) == value.class }

      # @return [Object] a value of the table, checked
      def validate(value, label, context)
        unless value.is_a?(Hash) && @table.names.include?(value[:kind])
          raise InputError, "#{label} is #{value.inspect.slice(0, 60)}; give #{to_text}"
        end

        @table.fetch(value[:kind]).then { |kind| kind.new(**kind.from_plain(value.except(:kind))).validated(context) }
      end

      def to_text = "its kind, #{@table.names.join(" or ")}, and what that kind takes"

      def typescript
        @table
          .names
          .map do |name|
            fields = Parameters::Record.of(@table.fetch(name)).typescript.delete_prefix("{ ").delete_suffix(" }").strip
            "{ #{[%(kind: "#{name}"), fields].reject(&:empty?).join("; ")} }"
          end
          .join(" | ")
      end
    end
  end
end
