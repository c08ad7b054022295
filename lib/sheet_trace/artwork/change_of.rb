# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A parameter that changes some of a content or place: what its kind declares, as far as it is said; or another
    # kind, with all that it takes.
    class ChangeOf < Parameters::Type
      # @param table [Registry] of classes of Kept
      def initialize(table)
        super()
        @table = table
      end

      # @return [Proc] takes the value as it is and a References::Context, gives the changed one; raises InputError
      def validate(value, label, context)
        unless value.is_a?(Hash)
          raise InputError, "#{label} is #{value.inspect.slice(0, 60)}; give what is to be changed of it"
        end

        whole = KindOf.new(@table).validate(value, label, context) if value.key?(:kind) && value.size > 1 &&
          complete?(value)
        lambda do |former, other_context|
          whole ||
            former.changed(
              value.except(:kind),
              References::Context.new(job: other_context.job, pictures: context.pictures)
            )
        end
      end

      def to_text = "what is to be changed of it"

      def typescript
        @table
          .names
          .map do |name|
            fields =
              @table.fetch(name).parameters.values.map { |field| "#{field.plain_name}?: #{field.type.typescript}" }
            "{ #{[%(kind?: "#{name}"), *fields].join("; ")} }"
          end
          .join(" | ")
      end

      private

      # All that the kind must be given is there.
      def complete?(value)
        @table.names.include?(value[:kind]) &&
          @table.fetch(value[:kind]).parameters.values.select(&:required?).all? { |field| value.key?(field.plain_name) }
      end
    end
  end
end
