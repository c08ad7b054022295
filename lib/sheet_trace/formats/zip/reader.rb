# frozen_string_literal: true

require "zip"

module SheetTrace
  module Formats
    module Zip
      # Reads a zip in memory, as deep as its own folders go: a zip within a zip stays closed. Sizes are counted while
      # unpacking, as those that the zip declares may lie.
      # Source: PKWARE, ".ZIP File Format Specification" (APPNOTE), through the rubyzip gem.
      module Reader
        MOST_FILES = 1000
        MOST_BYTES = 400 * 1024 * 1024
        CHUNK = 1024 * 1024
        ::Zip.warn_invalid_date = false # a file's date says nothing to us
        private_constant :CHUNK

        # @param bytes [String]
        def self.zip?(bytes) = bytes.byteslice(0, 4) == "PK\x03\x04".b

        # @param bytes [String]
        # @param name [String] for messages
        # @param most_bytes [Integer] of all that is unpacked
        # @return [Hash{String => String}] path => bytes, without folders and hidden files
        # @raise [FormatError] where: { file: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:, most_bytes: MOST_BYTES)
          entries = ::Zip::File.open_buffer(bytes).entries.select { |entry| entry.file? && !hidden?(entry.name) }
          if entries.size > MOST_FILES
            raise LimitError.new(
                    "#{name} holds #{entries.size} files; at most #{MOST_FILES} are taken",
                    where: {
                      limit: MOST_FILES,
                      got: entries.size
                    }
                  )
          end

          left = most_bytes
          entries.to_h do |entry|
            content = unpack(entry, left, name)
            left -= content.bytesize
            [entry.name.dup.force_encoding(Encoding::UTF_8).scrub("_").tr("\0", "_"), content]
          end
          # all of them come from rubyzip
        rescue ::Zip::Error, Zlib::Error, EOFError, ArgumentError, TypeError, NoMethodError, RangeError, Errno::EINVAL
          raise FormatError.new("#{name} is a damaged zip; pack it again", where: { file: name })
        end

        def self.unpack(entry, left, name)
          if entry.gp_flags.to_i & 1 == 1
            raise FormatError.new("#{name}: #{entry.name} is locked by a password", where: { file: entry.name })
          end

          content = +"".b
          stream = entry.get_input_stream
          while (chunk = stream.read(CHUNK))
            content << chunk
            next unless content.bytesize > left
            raise LimitError.new(
                    "#{name} unpacks to more than #{MOST_BYTES / 1_048_576} MB, together with what was unpacked before",
                    where: {
                      limit: MOST_BYTES,
                      got: content.bytesize
                    }
                  )
          end
          content
        end

        def self.hidden?(path) = path.split("/").any? { |step| step.start_with?(".", "__MACOSX") }
        private_class_method :unpack, :hidden?
      end
    end
  end
end
