# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A parameter that is the file of a font that was brought in, by its digest or by its name.
    class FontUpload < Parameters::Type
      # @return [FontFile] itself, where it is one already
      def validate(value, _label, context)
        return value if value.is_a?(FontFile)

        found = value.is_a?(String) && context.pictures.call(value)
        return found if found.is_a?(FontFile)

        raise InputError, "there is no font file #{value.inspect.slice(0, 60)} in the job; bring it in first"
      end

      def to_plain(value) = value.is_a?(String) ? value : value.to_h
      def to_text = "a font file: its digest or its name"
      def typescript = "string"
    end
  end
end
