# frozen_string_literal: true

module SheetTrace
  module Formats
    # What stops a reader, said in one way: which file and where in it, what is wrong there, and what to do.
    module Fault
      # @param file [String]
      # @param message [String] without a full stop
      # @param where [Hash{Symbol => Object}] line:, byte: or path: in the file, the first that is not nil is told
      # @raise [FormatError] where: { file:, line:, byte:, path: }
      def self.at(file, message, **where)
        where = where.compact
        place = where.first&.then { |kind, value| kind == :path ? value : "#{kind.to_s.capitalize} #{value}" }
        place = nil if place == ""
        text = place ? "#{place}: #{message}" : "#{message[0].upcase}#{message[1..]}"
        raise FormatError.new("#{file} wasn't read. #{text}. Export it again.", where: { file: file, **where })
      end
    end
  end
end
