# frozen_string_literal: true

require "ttfunk"

module SheetTrace
  module Artwork
    # A font file that was brought in: TrueType or OpenType. Immutable.
    #
    # digest [String] of its bytes; name [String] of the file; bytes [String]
    FontFile =
      Struct.new(:digest, :name, :bytes, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        # @return [Hash] what is said of it
        def to_h = super.except(:bytes)

        # @param bytes [String] of the file
        # @return [FontFile]
        # @raise [FormatError] if it is no font that is read; where: { file: }
        # @raise [LimitError] where: { limit:, got: }
        def self.of_bytes(bytes, name:)
          if bytes.bytesize > FontFile::LARGEST
            raise LimitError.new(
                    "#{name} has #{bytes.bytesize / 1_048_576} MB; fonts of up to #{FontFile::LARGEST / 1_048_576} MB " \
                      "are taken",
                    where: {
                      limit: FontFile::LARGEST,
                      got: bytes.bytesize
                    }
                  )
          end
          raise FontFile.unreadable(name, "no TrueType or OpenType font") unless FontFile.font?(bytes)

          new(digest: Digest::SHA256.hexdigest(bytes), name: name, bytes: bytes).tap { |file| FontFile.check(file) }
        end

        # @param bytes [String]
        # @return [Boolean] whether it begins as such a file does
        # Source: Microsoft, "OpenType specification", Organization of an OpenType Font: sfntVersion.
        def self.font?(bytes) = ["\0\1\0\0".b, "OTTO".b, "true".b].include?(bytes.b[0, 4])

        # Reads what lettering asks for.
        def self.check(file)
          tables = TTFunk::File.new(file.bytes)
          usable = tables.cmap.unicode.any? && tables.header.units_per_em.positive? && tables.name.font_family.any?
          raise FontFile.unreadable(file.name, "a font without characters, or without a name") unless usable
        rescue FormatError
          raise
        rescue StandardError
          raise FontFile.unreadable(file.name, "a font that is cut off or damaged")
        end

        def self.unreadable(name, what) =
          FormatError.new("#{name} is #{what}; bring in a .ttf or .otf file that is whole", where: { file: name })
      end
    FontFile::LARGEST = 10 * 1_048_576
  end
end
