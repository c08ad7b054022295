# frozen_string_literal: true

require "zip"

module SheetTrace
  module Formats
    module Zip
      # Writes a zip of files in memory, names in UTF-8.
      # Source: PKWARE, ".ZIP File Format Specification" (APPNOTE), through the rubyzip gem.
      module Writer
        # Ends of names of files that are compressed by themselves: to do so once more takes long, and gains nothing.
        COMPRESSED = %w[.png .jpg .webp].freeze
        private_constant :COMPRESSED

        # @param files [Hash{String => String}] name => bytes
        # @param stored [Array<String>] of these, that are kept as they are too
        # @return [String] the zip file
        def self.call(files, stored = [])
          ::Zip::OutputStream
            .write_buffer do |out|
              files.each do |name, bytes|
                as_it_is = stored.include?(name) || COMPRESSED.include?(File.extname(name).downcase)
                out.put_next_entry(name, nil, nil, as_it_is ? ::Zip::Entry::STORED : ::Zip::Entry::DEFLATED)
                out.write(bytes)
              end
            end
            .string
        end
      end
    end
  end
end
