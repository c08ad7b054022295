# frozen_string_literal: true

module SheetTrace
  module Formats
    # Text files in UTF-8 or UTF-16, with or without a byte-order mark.
    module Text
      MARKS = { "\xEF\xBB\xBF" => "UTF-8", "\xFF\xFE" => "UTF-16LE", "\xFE\xFF" => "UTF-16BE" }.transform_keys(
        &:b
      ).freeze
      private_constant :MARKS

      # @param bytes [String]
      # @param name [String] for messages
      # @param what [String] what it should be, such as "an OBJ file"
      # @return [String] UTF-8, faulty letters replaced
      # @raise [FormatError] if it is empty or not text; where: { file: }
      def self.decode(bytes, name:, what:)
        raise FormatError.new("#{name} is empty; choose #{what}", where: { file: name }) if bytes.strip.empty?

        mark, encoding = MARKS.find { |start, _| bytes.b.start_with?(start) }
        encoding ||= without_mark(bytes)
        plain = bytes.byteslice((mark || "").bytesize..).force_encoding(encoding)
        text =
          (
            if plain.encoding == Encoding::UTF_8
              plain.scrub("\u{FFFD}")
            else
              plain.encode(Encoding::UTF_8, invalid: :replace, undef: :replace)
            end
          )
        return text unless text.include?("\0")

        raise FormatError.new("#{name} is not #{what}: it holds bytes that are not text", where: { file: name })
      end

      # Plain words in UTF-16 have every other byte 0.
      def self.without_mark(bytes)
        head = bytes.byteslice(0, 64).bytes
        halves = [0, 1].map { |start| (start...head.size).step(2).map { |i| head[i] } }
        zero = halves.map { |half| half.size > 2 && half.all?(&:zero?) }
        return "UTF-16BE" if zero[0] && !zero[1]

        zero[1] && !zero[0] ? "UTF-16LE" : "UTF-8"
      end
      private_class_method :without_mark
    end
  end
end
