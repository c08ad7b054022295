# frozen_string_literal: true

require "uri"

module SheetTrace
  module Formats
    # The files that were brought in together. What a model names is looked for among them and nowhere else.
    class Bundle
      SIDE_FILES = %w[.mtl .bin .png .jpg .jpeg .webp .tif .tiff .tga .bmp .gif .svg .ktx2 .txt .md .pdf].freeze
      private_constant :SIDE_FILES

      # @return [Hash{String => String}] path => bytes
      attr_reader :files

      # @param files [Hash{String => String}] a zip among them is unpacked
      # @return [Bundle]
      # @raise [FormatError, LimitError] as Zip::Reader says
      def self.open(files)
        left = Zip::Reader::MOST_BYTES
        new(
          files.each_with_object({}) do |(name, bytes), all|
            unpacked =
              Zip::Reader.zip?(bytes) ? Zip::Reader.call(bytes, name: name, most_bytes: left) : { name => bytes }
            left -= unpacked.values.sum(&:bytesize) unless unpacked.key?(name)
            all.merge!(unpacked)
          end
        )
      end

      def initialize(files)
        @files = files.freeze
        freeze
      end
      private_class_method :new

      # @return [Array(String, String)] the model's path and its format
      # @raise [FormatError] where: { file: } if there is none, or more than one
      def model
        found = files.keys.reject { |name| SIDE_FILES.include?(File.extname(name).downcase) && files.size > 1 }
        if found.empty?
          raise FormatError.new(
                  "#{files.keys.join(", ")}: no model among them; add the OBJ, glTF, COLLADA or PLY file",
                  where: {
                    file: files.keys.first
                  }
                )
        end
        if found.size > 1
          raise FormatError.new(
                  "#{found.join(" and ")} are both models; bring in one at a time",
                  where: {
                    file: found[1]
                  }
                )
        end

        [found.first, Formats.format_of(files.fetch(found.first))]
      end

      # What a file of the bundle refers to: by its path beside that file, or else by its bare name.
      #
      # @param reference [String] a relative path or URI
      # @return [Array(String, String), nil] path and bytes; nil if it was not brought along
      def find(reference)
        plain = unescape(reference).tr("\\", "/").delete_prefix("file://").sub(%r{\A(?:\./)+}, "")
        name = files.keys.find { |key| key == plain } || files.keys.find { |key| base(key) == base(plain) }
        name && [name, files.fetch(name)]
      end

      private

      def base(path) = File.basename(path).downcase

      # %20 and the like, as glTF and COLLADA write names with blanks.
      def unescape(reference) = URI::DEFAULT_PARSER.unescape(reference).force_encoding(Encoding::UTF_8).scrub("_")
    end
  end
end
