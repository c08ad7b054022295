# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # What stops the reader, said in one way: which file and line, what is wrong there, and what to do.
      module Fault
        # @raise [FormatError] where: { file:, line: }
        def self.at(file, line, message)
          raise FormatError.new(
                  "#{file} wasn't read. Line #{line}: #{message}. Export it again.",
                  where: {
                    file: file,
                    line: line
                  }
                )
        end
      end
    end
  end
end
