# frozen_string_literal: true

module SheetTrace
  module References
    # An island, by its index or by its name.
    class Island < Parameters::Type
      def validate(value, _label, context)
        count = context.job.layout.uv_map.island_count
        return value if value.is_a?(Integer) && value.between?(0, count - 1)

        unless value.is_a?(String)
          raise(InputError, "there is no island #{value.inspect.slice(0, 60)}; the job has #{count}, counted from 0")
        end
        named(value, context.job)
      end

      def from_text(text) = Integer(text, 10, exception: false) || text
      def to_text = "an island: its name, or its number from 0"
      def typescript = "number | string"
      def validated_typescript = "number"

      private

      def named(name, job)
        names = job.island_names
        found = names.each_index.select { |island| names[island] == name }
        return found.first if found.size == 1
        if found.size > 1
          raise InputError, "#{found.size} islands are called #{name.inspect}; give one's number, or names of their own"
        end

        raise InputError,
              "there is no island #{name.inspect}; there are #{names.first(8).join(", ")}#{", ..." if names.size > 8}"
      end
    end
  end
end
