# frozen_string_literal: true

module SheetTraceServer
  # Reading of requests: JSON and queries by declared parameters, as operations declare theirs.
  module Params
    # Values that routes ask for in common.
    module Size
      extend SheetTrace::Parameters

      whole :width_px, SheetTrace::Layout::Sheet::SIDE_PX, label: "width", optional: true
      whole :height_px, SheetTrace::Layout::Sheet::SIDE_PX, label: "height", optional: true
    end

    # The same of templates.
    module TemplateSize
      extend SheetTrace::Parameters

      whole :width_px, SheetTrace::Layout::Sheet::TEMPLATE_PX, label: "width", optional: true
      whole :height_px, SheetTrace::Layout::Sheet::TEMPLATE_PX, label: "height", optional: true
    end

    module_function

    # @param body [String] JSON object
    # @return [Hash{Symbol => Object}]
    # @raise [SheetTrace::InputError]
    def json(body)
      value = JSON.parse(body, symbolize_names: true)
      return value if value.is_a?(Hash)

      raise SheetTrace::InputError, "the request's body is not a JSON object"
    rescue JSON::ParserError, EncodingError
      raise SheetTrace::InputError, "the request's body is not JSON"
    end

    # @param declared [Module] extended with SheetTrace::Parameters or SheetTrace::References
    # @param values [Hash{Symbol => Object}] of JSON
    # @param job [SheetTrace::Job, nil] that they speak of
    # @return [Hash{Symbol => Object}] checked, as the core uses them
    # @raise [SheetTrace::InputError]
    def read(declared, values, job = nil)
      declared.validated(declared.from_plain(values), SheetTrace::References::Context.new(job: job))
    end

    # The same, from the texts of a query; what is not declared is left out.
    def query(declared, texts, job = nil)
      symbols = texts.to_h { |name, text| [name.to_sym, text.is_a?(String) ? text : text.to_s] }
      declared.validated(declared.from_texts(symbols), SheetTrace::References::Context.new(job: job))
    end

    # @return [SheetTrace::Layout::Sheet] of width_px and height_px, or else the default
    def size(texts, default, declared: Size)
      values = query(declared, texts)
      return default if values.values.none?

      SheetTrace::Layout::Sheet.of_template(
        width_px: values[:width_px] || default.width_px,
        height_px: values[:height_px] || default.height_px
      )
    end

    # @param text [String, nil] of a path or query
    # @return [Integer]
    def integer(text, name)
      Integer(text, 10)
    rescue ArgumentError, TypeError
      raise SheetTrace::InputError.new(
              "#{name} is #{text.inspect.slice(0, 60)}; give a whole number",
              where: {
                name => text
              }
            )
    end
  end
end
