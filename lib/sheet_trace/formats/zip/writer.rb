# frozen_string_literal: true

require "zip"

module SheetTrace
  module Formats
    module Zip
      # Writes a zip of files in memory, names in UTF-8.
      # Source: PKWARE, ".ZIP File Format Specification" (APPNOTE), through the rubyzip gem.
      module Writer
        # @param files [Hash{String => String}] name => bytes
        # @return [String] the zip file
        def self.call(files)
          ::Zip::OutputStream
            .write_buffer do |out|
              files.each do |name, bytes|
                out.put_next_entry(name)
                out.write(bytes)
              end
            end
            .string
        end
      end
    end
  end
end
