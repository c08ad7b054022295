# frozen_string_literal: true

module SheetTrace
  module References
    # A picture that was brought in, by the digest of its file, or by the file's name.
    class Picture < Parameters::Type
      # @return [Artwork::PictureFile] itself, where it is one already
      def validate(value, _label, context)
        return value if value.respond_to?(:width_px)

        found = value.is_a?(String) && context.pictures.call(value)
        return found if found.respond_to?(:width_px)

        raise(InputError, "there is no picture #{value.inspect.slice(0, 60)} in the job; bring it in first")
      end

      def to_plain(value) = value.is_a?(String) ? value : value.to_h
      def to_text = "a picture: the digest or the name of its file"
      def typescript = "string"
      def validated_typescript =
        "{ digest: string; name: string; width_px: number; height_px: number; drawing?: boolean }"
    end
  end
end
