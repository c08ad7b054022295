# frozen_string_literal: true

module SheetTrace
  module Formats
    # What a writer gives.
    #
    # files [Hash{String => String}] name => bytes, the model first
    # notes [Array<Note>] what the format can't hold
    Written =
      Struct.new(:files, :notes, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        # @return [Note] that vertices' colours were averaged
        def self.colors_averaged(format)
          left_out(
            "vertex_colours_averaged",
            "#{format} holds one colour for each vertex; where faces differ at a vertex, their mean was written"
          )
        end

        # @return [Note]
        def self.left_out(code, message, **where) = Note.new(code: code, message: message, where: where)
      end
  end
end
