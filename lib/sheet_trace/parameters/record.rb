# frozen_string_literal: true

module SheetTrace
  module Parameters
    # Several named values, themselves declared with this vocabulary.
    class Record < Type
      # @return [Module] the declarations, extended with a vocabulary
      attr_reader :fields

      # @param vocabulary [Module] Parameters, or one that goes on from it
      # @yield declares the fields, as a class does its parameters
      def initialize(vocabulary = Parameters, fields: Module.new.extend(vocabulary), &declarations)
        super()
        @fields = fields
        @fields.module_exec(&declarations) if declarations
      end

      # @param declared [Module] something that declares parameters already
      # @return [Record] of those
      def self.of(declared) = new(fields: declared)

      # Keys that are not known stay as they are, for check to refuse.
      def from_plain(value)
        return value unless value.is_a?(Hash)

        known = @fields.parameters.values.to_h { |field| [field.plain_name, field] }
        value.to_h { |name, part| known[name] ? [known[name].name, known[name].type.from_plain(part)] : [name, part] }
      end

      def to_plain(value) = value.is_a?(Hash) ? @fields.to_plain(value) : value

      def validate(value, label, context)
        unless value.is_a?(Hash)
          raise InputError, "#{[label, "is"].reject(&:empty?).join(" ")} #{value.inspect.slice(0, 60)}; give #{to_text}"
        end

        @fields.validated(value, context)
      rescue InputError => e
        raise InputError, e.message # its place is the record's
      end

      def to_text = plain_names.join(", ")

      def typescript
        fields =
          @fields.parameters.values.map do |field|
            "#{field.plain_name}#{"?" unless field.required?}: #{field.type.typescript}#{" | null" if field.optional}"
          end
        "{ #{fields.join("; ")} }"
      end

      private

      def plain_names = @fields.parameters.values.map(&:plain_name)
    end
  end
end
