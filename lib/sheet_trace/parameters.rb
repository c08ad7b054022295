# frozen_string_literal: true

module SheetTrace
  # Parameters declared once: what extends this says which it takes, of which types, and gets from it the checking and
  # its wording, the reading
  # of JSON (degrees become radians), and what the reference pages and the TypeScript types are made of.
  #
  #   module Ring
  #     extend Parameters
  #     number :outer_mm, 0.1..100_000.0, label: "outer diameter", default: 60.0
  #   end
  #   Ring.validated({ outer_mm: 80 }) # => { outer_mm: 80.0 }
  #
  # Each type is a class of parameters/, and a method here that declares one of it. Words of the job (islands, faces,
  # layers) are added by
  # References.
  module Parameters
    REQUIRED = Object.new.freeze
    private_constant :REQUIRED

    # One parameter: name [Symbol], its unit at the end; type [Type]; label [String] in messages; default [Object]
    # optional [Boolean] whether nil stands for "not said"; note [String, nil] what it means, for the reference page
    Parameter =
      Struct.new(:name, :type, :label, :default, :optional, :note, keyword_init: true) do
        # @return [Boolean] whether it must be given
        def required? = default.equal?(REQUIRED)

        # @return [Symbol] its name in JSON
        def plain_name = type.plain_name(name)

        # @return [Object] the value, or what holds where nothing is said
        def filled(value) = value.nil? && !required? ? default : value

        # @return [Object] the value as the core uses it
        # @raise [InputError] saying what is wrong; where: { name => value }
        def validated(value, context)
          return nil if value.nil? && optional

          type.validate(value, label, context)
        rescue InputError => e
          raise e if e.where.any?

          raise InputError.new(e.message, where: { name => value })
        end
      end
    Parameter.const_set(:REQUIRED, REQUIRED)

    # @return [Hash{Symbol => Parameter}] in the order they are declared
    def parameters = @parameters ||= {}

    # @param default [Object] what holds where nothing is said; without one the parameter must be given
    # @param optional [Boolean] whether nil may be given, and is the default
    def parameter(name, type, note = nil, label: nil, default: REQUIRED, optional: false)
      default = nil if optional && default.equal?(REQUIRED)
      parameters[name] = Parameter.new(
        name: name,
        type: type,
        label: label || Parameters.label(name),
        default: default,
        optional: optional,
        note: note
      ).freeze
    end

    def number(name, range, note = nil, **rest) = parameter(name, Number.new(range), note, **rest)
    def whole(name, range, note = nil, **rest) = parameter(name, Whole.new(range), note, **rest)
    # @param range [Range] radians
    def angle(name, range = (-1000..1000), note = nil, **rest) = parameter(name, Angle.new(range), note, **rest)
    def flag(name, note = nil, **rest) = parameter(name, Flag.new, note, **rest)
    def one_of(name, names, note = nil, **rest) = parameter(name, OneOf.new(names), note, **rest)
    def text(name, note = nil, longest: 80, empty: false, **rest)
      parameter(name, Text.new(longest, empty: empty), note, **rest)
    end
    def color(name, note = nil, **rest) = parameter(name, Color.new, note, **rest)
    # As many numbers as count, each in a range: a place, a size, a shift.
    def numbers(name, count, range = Numbers::WIDE, note = nil, **rest)
      parameter(name, Numbers.new(count, range), note, **rest)
    end
    # Three numbers, not all 0.
    def direction(name, note = nil, **rest) = parameter(name, Direction.new, note, **rest)

    # @return [String] what a parameter is called in messages, if nothing else is said: its name without unit
    def self.label(name) = name.to_s.sub(/_(px_per_mm|px|mm|rad)\z/, "").tr("_", " ").sub("color", "colour")

    # @param plain [Hash{Symbol => Object}] as in JSON: names with _deg for angles
    # @return [Hash{Symbol => Object}] values as the core uses them, not yet validated
    # @raise [InputError] where a parameter is not known
    def from_plain(plain)
      known = parameters.values.to_h { |parameter| [parameter.plain_name, parameter] }
      strangers!(plain.keys - known.keys, known.keys)
      plain.to_h { |name, value| [known[name].name, known[name].type.from_plain(value)] }
    end

    # @param texts [Hash{Symbol => String}] of a query, by names as in JSON; what is not declared is left out
    # @return [Hash{Symbol => Object}] values as the core uses them, not yet validated
    def from_texts(texts)
      parameters
        .values
        .filter_map do |parameter|
          text = texts[parameter.plain_name]
          [parameter.name, parameter.type.from_plain(parameter.type.from_text(text))] unless text.nil?
        end
        .to_h
    end

    # @param values [Hash{Symbol => Object}]
    # @return [Hash{Symbol => Object}] as in JSON
    def to_plain(values)
      values.to_h do |name, value|
        parameters.fetch(name).then { |parameter| [parameter.plain_name, parameter.type.to_plain(value)] }
      end
    end

    # @param values [Hash{Symbol => Object}] names of the core
    # @return [Hash{Symbol => Object}] with defaults for what is not given, or nil
    # @raise [InputError] where one is lacking or not known; where: { name => value }
    def filled(values)
      strangers!(values.keys - parameters.keys, parameters.keys)
      lacking = parameters.each_value.find { |parameter| parameter.required? && !values.key?(parameter.name) }
      if lacking
        raise InputError.new(
                "#{lacking.plain_name} is lacking; give #{lacking.type.to_text}",
                where: {
                  lacking.name => nil
                }
              )
      end

      parameters.transform_values { |parameter| parameter.filled(values[parameter.name]) }
    end

    # @param values [Hash{Symbol => Object}] names of the core
    # @param context [Object] what the types of the job's words look at
    # @return [Hash{Symbol => Object}] all of them, validated, as the core uses them
    # @raise [InputError] with all that is wrong; where: of the first
    def validated(values, context = nil)
      problems = []
      found =
        filled(values).to_h do |name, value|
          [name, parameters[name].validated(value, context)]
        rescue InputError => e
          problems << e
          [name, nil]
        end
      raise InputError.new(problems.map(&:message).join("; "), where: problems.first.where) if problems.any?

      found
    end

    private

    def strangers!(strangers, known)
      return if strangers.empty?

      raise InputError.new(
              "there is no parameter #{strangers.first}; " \
                "#{known.empty? ? "there are none" : "there are #{known.join(", ")}"}",
              where: {
                strangers.first => nil
              }
            )
    end
  end
end
