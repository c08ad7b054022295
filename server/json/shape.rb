# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What an answer looks like, declared once beside the code that makes it: the front end's types are made from it,
    # and every answer of the tests
    # is held against it.
    class Shape
      # @return [String]
      attr_reader :typescript

      # @param typescript [String]
      # @yieldparam value [Object]
      # @yieldreturn [String, nil] what is wrong with a value
      def initialize(typescript, &problem)
        @typescript = typescript
        @problem = problem
      end

      # @return [String, nil] where and how a value is not of this shape
      def problem(value) = @problem.call(value)

      # @return [Shape] that may be null as well
      def or_null = Shape.new("#{typescript} | null") { |value| value.nil? ? nil : problem(value) }

      # @return [Shape] a list of these
      def list
        inner = typescript.include?(" | ") ? "(#{typescript})" : typescript
        Shape.new("#{inner}[]") do |value|
          if value.is_a?(Array)
            Shape.first_problem(value.each_with_index) { |part, i| [i, problem(part)] }
          else
            "is no list"
          end
        end
      end

      # @return [Shape] so many of these
      def times(count)
        Shape.new("[#{([typescript] * count).join(", ")}]") do |value|
          value.is_a?(Array) && value.size == count ? list.problem(value) : "is no list of #{count}"
        end
      end

      # @return [Shape] these by any names
      def by_name
        Shape.new("Record<string, #{typescript}>") do |value|
          value.is_a?(Hash) ? Shape.first_problem(value) { |name, part| [name, problem(part)] } : "is no object"
        end
      end

      def self.first_problem(parts)
        parts.each do |key, part|
          place, found = block_given? ? yield(key, part) : [key, part]
          return "#{place}: #{found}" if found
        end
        nil
      end

      NUMBER =
        new("number") { |value| value.is_a?(Numeric) && value.to_f.finite? ? nil : "#{value.inspect} is no number" }
      TEXT = new("string") { |value| value.is_a?(String) || value.is_a?(Symbol) ? nil : "#{value.inspect} is no text" }
      FLAG =
        new("boolean") { |value| [true, false].include?(value) ? nil : "#{value.inspect} is neither true nor false" }
      ANY = new("unknown") { |_value| nil }
      PAIR = NUMBER.times(2)
      TRIPLE = NUMBER.times(3)

      def self.one_of(*names) =
        new(names.map { |name| %("#{name}") }.join(" | ")) do |value|
          names.include?(value.to_s) ? nil : "#{value.inspect} is none of #{names.join(", ")}"
        end

      # What a table's kinds declare: "kind", their values and their facts.
      #
      # @param table [SheetTrace::Registry] of classes of SheetTrace::Artwork::Kept; except [Array<String>] names that
      #   are not told
      def self.kind_of(table, except: [])
        kinds =
          (table.names - except).to_h do |name|
            kind = table.fetch(name)
            own =
              kind.parameters.values.to_h { |parameter| [parameter.plain_name, parameter.type.validated_typescript] }
            [name, { **own, **kind.fact_types.transform_values(&:validated_typescript) }]
          end
        words =
          kinds.map do |name, fields|
            "{ #{[%(kind: "#{name}"), *fields.map { |field, type| "#{field}: #{type}" }].join("; ")} }"
          end
        new(words.join(" | ")) do |value|
          fields = value.is_a?(Hash) && kinds[value[:kind]]
          if fields && value.keys.sort == [:kind, *fields.keys].sort
            nil
          else
            "#{value.inspect.slice(0, 80)} is none of #{kinds.keys.join(", ")}"
          end
        end
      end

      # An object with a name of its own in the front end.
      class Record < Shape
        # @return [String]
        attr_reader :name
        # @return [Hash{Symbol => Shape}]; Hash{Symbol => String} what a field says, where its name does not
        attr_reader :fields, :notes

        # @param fields [Hash{Symbol => Shape, Array(Shape, String)}] with a note where the name does not say enough
        def initialize(name, **fields)
          @name = name
          @fields = fields.transform_values { |field| Array(field).first }
          @notes = fields.filter_map { |field, declared| [field, declared.last] if declared.is_a?(Array) }.to_h
          super(name) do |value| wrong(value) end
        end

        # @return [Record] with more fields
        def with(name, **more)
          Record.new(
            name,
            **fields.to_h { |field, shape| [field, notes[field] ? [shape, notes[field]] : shape] },
            **more
          )
        end

        # @return [String] its declaration for the front end
        def declaration
          lines =
            fields.flat_map do |field, shape|
              [*("  /** #{notes[field]} */" if notes[field]), "  #{field}: #{shape.typescript};"]
            end
          ["export interface #{name} {", *lines, "}"].join("\n")
        end

        private

        def wrong(value)
          return "#{value.inspect.slice(0, 60)} is no object" unless value.is_a?(Hash)
          unless value.keys.map(&:to_sym).sort == fields.keys.sort
            return "has #{value.keys.join(", ")} instead of #{fields.keys.join(", ")}"
          end

          Shape.first_problem(fields) { |field, shape| [field, shape.problem(value[field])] }
        end
      end
    end
  end
end
