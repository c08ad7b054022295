# frozen_string_literal: true

module SheetTrace
  module Operations
    # What the declarations of operations say, as text: the list and the entries of docs/operations.md, and their
    # types for TypeScript.
    module Reference
      # @return [String] name and purpose of each operation
      def self.list =
        NAMES
          .names
          .map { |name| format("%-22s %s", name, purpose(name)[/\A.*?[.;](?=\s|\z)/m] || purpose(name)) }
          .join("\n")

      # @return [String] an operation with its parameters
      # @raise [UnknownNameError] where: { name: }
      def self.entry(name)
        operation = NAMES.fetch(name)
        rows = operation.parameters.values.map { |parameter| "- `#{parameter.plain_name}`: #{describe(parameter)}" }
        rows << "- no parameters" if rows.empty?
        facts = operation.facts.any? ? ["", "Tells: #{operation.facts.keys.join(", ")}."] : []
        ["### #{name}", "", purpose(name), "", *rows, *facts].join("\n")
      end

      # @return [String] the comment over its class, in one line
      def self.purpose(name)
        operation = NAMES.fetch(name)
        lines = File.readlines(Object.const_source_location(operation.name).first)
        above = lines.take_while { |text| !text.match?(/^\s*class #{operation.name.split("::").last}\b/) }
        above
          .reverse
          .take_while { |text| text.match?(/^\s*#/) }
          .reverse
          .map { |text| text.strip.delete_prefix("#").strip }
          .join(" ")
      end

      # @return [String] all entries, as Markdown
      def self.markdown
        [
          "# Operations",
          "",
          "Made by `rake api` from the operations' own declarations. Every change of a job is one of these: the " \
            "screen, recipes and tests call them by",
          "these names. Angles are degrees. Islands, parts, materials, cells, underlays, layers and editions are " \
            "named by their number (a layer by its id) or by",
          "a name that no other has.",
          "",
          *NAMES.names.flat_map { |name| [entry(name), ""] }
        ].join("\n").gsub(/\n+\z/, "\n")
      end

      # @return [String] TypeScript: what each operation takes, and what it tells
      def self.typescript
        parameters = NAMES.names.map { |name| "  #{name}: #{Parameters::Record.of(NAMES.fetch(name)).typescript};" }
        facts =
          NAMES.names.filter_map do |name|
            types = NAMES.fetch(name).facts.map { |fact, type| "#{fact}: #{type.validated_typescript}" }
            "  #{name}: { #{types.join("; ")} };" if types.any?
          end
        [
          "/** What each operation takes. Angles are degrees. */",
          "export interface Operations {",
          *parameters.map { |line| line.gsub("{  }", "Record<string, never>") },
          "}",
          "",
          "/** What an operation tells beside its sentence. */",
          "export interface OperationFacts {",
          *facts,
          "}",
          "",
          "export type OperationName = keyof Operations;"
        ].join("\n")
      end

      def self.describe(parameter)
        "#{parameter.type.to_text}#{" (#{parameter.note})" if parameter.note}#{otherwise(parameter)}"
      end

      # @return [String, nil] what holds where nothing is said
      def self.otherwise(parameter)
        return if parameter.required?
        return "; may be left out" if parameter.default.nil?

        "; else #{JSON.generate(parameter.type.to_plain(parameter.default))}"
      end
      private_class_method :describe, :otherwise
    end
  end
end
