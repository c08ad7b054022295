# frozen_string_literal: true

require "zip"

module SheetTrace
  module Formats
    module Zip
      # Writes a zip of files in memory, names in UTF-8.
      # Source: PKWARE, ".ZIP File Format Specification" (APPNOTE), through the rubyzip gem.
      module Writer
        # @param files [Hash{String => String}] name => bytes
        # @param stored [Array<String>] of these, that are kept as they are
        # @return [String] the zip file
        def self.call(files, stored = [])
          ::Zip::OutputStream
            .write_buffer do |out|
              files.each do |name, bytes|
                out.put_next_entry(
                  name,
                  nil,
                  nil,
                  stored.include?(name) ? ::Zip::Entry::STORED : ::Zip::Entry::DEFLATED
                )
                out.write(bytes)
              end
            end
            .string
        end
      end
    end
  end
end
