# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A parameter that is a font: one that ships along, by its name, or one that was brought into the job, by its name
    # or its digest.
    class FontName < Parameters::Type
      # @return [String] the name, or the digest
      def validate(value, label, context)
        return value if Font::FILES.key?(value)

        own = context.job.fonts
        found = own.find { |font| [font.name, font.title].include?(value) }
        return found.name if found

        there = [*Font::FILES.keys, *own.map(&:title)].join(", ")
        raise InputError, "#{label} is #{value.inspect.slice(0, 60)}; give one of #{there}, or bring the font in first"
      end

      def to_text = "a font: #{Font::FILES.keys.join(", ")}, or one that was brought in"
      def typescript = "string"
    end
  end
end
