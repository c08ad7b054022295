# frozen_string_literal: true

module SheetTrace
  # A table of names, each leading to a constant that is loaded only when it is asked for.
  #
  #   FORMATS = Registry.new("format", "obj" => "SheetTrace::Formats::Obj::Reader")
  #   FORMATS.fetch("obj") # => SheetTrace::Formats::Obj::Reader
  class Registry
    # @param kind [String] what the names stand for, for error messages
    # @param constants [Hash{String => String}] name => full name of a constant
    def initialize(kind, constants)
      @kind = kind
      @constants = constants.freeze
    end

    # @return [Array<String>] in the order of the table
    def names = @constants.keys

    # @param name [String]
    # @return [Object] the constant
    # @raise [UnknownNameError] where: { name: }; the message lists the names there are
    def fetch(name)
      path =
        @constants.fetch(name) do
          raise UnknownNameError.new(
                  "there is no #{@kind} #{name.inspect}; there are #{names.join(", ")}",
                  where: {
                    name: name
                  }
                )
        end
      Object.const_get(path)
    end
  end
end
