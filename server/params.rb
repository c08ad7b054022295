# frozen_string_literal: true

module SheetTraceServer
  # Typed reading of request parameters. Angles are degrees in JSON and radians in the core: a key that
  # ends with _deg becomes one that ends with _rad.
  module Params
    module_function

    # @param body [String] JSON object
    # @return [Hash{Symbol => Object}]
    # @raise [SheetTrace::InputError]
    def json(body)
      value = JSON.parse(body, symbolize_names: true)
      return value if value.is_a?(Hash)

      raise SheetTrace::InputError, "the request's body is not a JSON object"
    rescue JSON::ParserError
      raise SheetTrace::InputError, "the request's body is not JSON"
    end

    # @param parameters [Hash{Symbol => Object}] of an operation, hashes in its lists too
    def radians(parameters)
      parameters.to_h do |name, value|
        value = value.map { |one| one.is_a?(Hash) ? radians(one) : one } if value.is_a?(Array)
        next [name, value] unless name.end_with?("_deg")

        [name.to_s.sub(/_deg\z/, "_rad").to_sym, value.is_a?(Numeric) ? value * Math::PI / 180 : value]
      end
    end

    # @param text [String, nil]
    # @return [SheetTrace::Layout::Sheet]
    def size(width, height, default)
      return default if width.nil? && height.nil?

      SheetTrace::Layout::Sheet.new(width_px: integer(width, :width_px), height_px: integer(height, :height_px))
    end

    def integer(text, name)
      Integer(text, 10)
    rescue ArgumentError, TypeError
      raise SheetTrace::InputError.new("#{name} is #{text.inspect}; give a whole number", where: { name => text })
    end

    # @param value [Object] from JSON
    # @return [Integer] 0 and more
    def count(value, name)
      return value if value.is_a?(Integer) && value >= 0

      raise SheetTrace::InputError.new("#{name} is #{value.inspect.slice(0, 60)}; give a whole number", where: { name => value })
    end

    # @param values [Object] from JSON
    # @return [Array<Numeric>] as many as wanted
    def numbers(values, name, count)
      return values if values.is_a?(Array) && values.size == count && values.all? { |value| value.is_a?(Numeric) && value.to_f.finite? }

      raise SheetTrace::InputError.new("#{name} is #{values.inspect.slice(0, 60)}; give #{count} numbers", where: { name => values })
    end

    # @param degrees [Object]
    # @return [Float] radians
    def angle(degrees)
      return degrees * Math::PI / 180 if degrees.is_a?(Numeric)

      raise SheetTrace::InputError.new("angle_deg is #{degrees.inspect}; give a number", where: { angle_deg: degrees })
    end

    def number(text, name, default)
      text.nil? ? default : Float(text)
    rescue ArgumentError
      raise SheetTrace::InputError.new("#{name} is #{text.inspect}; give a number", where: { name => text })
    end
  end
end
