# frozen_string_literal: true

module SheetTrace
  module References
    # A font: one that ships along, by its name, or one that was brought into the job, by its name or its digest.
    class Font < Parameters::Type
      # @return [String] the name, or the digest
      def validate(value, label, context)
        return value if Artwork::Font::FILES.key?(value)

        own = context.job.fonts
        found = own.select { |font| [font.name, font.title].include?(value) }
        return found.first.name if found.any?

        there = [*Artwork::Font::FILES.keys, *own.map(&:title)].join(", ")
        raise InputError, "#{label} is #{value.inspect.slice(0, 60)}; give one of #{there}, or bring the font in first"
      end

      def to_text = "a font: #{Artwork::Font::FILES.keys.join(", ")}, or one that was brought in"
      def typescript = "string"
    end

    # The file of a font that was brought in, by the digest of its file, or by the file's name.
    class FontFile < Parameters::Type
      # @return [Artwork::FontFile] itself, where it is one already
      def validate(value, _label, context)
        return value if value.is_a?(Artwork::FontFile)

        found = value.is_a?(String) && context.pictures.call(value)
        return found if found.is_a?(Artwork::FontFile)

        raise InputError, "there is no font file #{value.inspect.slice(0, 60)} in the job; bring it in first"
      end

      def to_plain(value) = value.is_a?(String) ? value : value.to_h
      def to_text = "a font file: its digest or its name"
      def typescript = "string"
    end
  end
end
