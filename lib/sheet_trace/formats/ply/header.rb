# frozen_string_literal: true

module SheetTrace
  module Formats
    module Ply
      # The head of a PLY file: its encoding, its elements and their properties, its comments.
      # Source: Turk, "The PLY Polygon File Format", Stanford, 1994.
      class Header
        # Names of types, old and new, with String#unpack letters by byte order and their sizes.
        TYPES =
          {
            %w[char int8] => ["c", "c", 1],
            %w[uchar uint8] => ["C", "C", 1],
            %w[short int16] => ["s<", "s>", 2],
            %w[ushort uint16] => ["S<", "S>", 2],
            %w[int int32] => ["l<", "l>", 4],
            %w[uint uint32] => ["L<", "L>", 4],
            %w[float float32] => ["e", "g", 4],
            %w[double float64] => ["E", "G", 8]
          }.flat_map { |names, type| names.map { |name| [name, type] } }.to_h.freeze
        FORMATS = { "ascii" => nil, "binary_little_endian" => 0, "binary_big_endian" => 1 }.freeze
        LONGEST = 65_536
        private_constant :TYPES, :FORMATS, :LONGEST

        # name [String]; letter [String] of unpack; bytes [Integer]; count_letter, count_size of a list, nil for one
        # value
        Property =
          Struct.new(:name, :letter, :bytes, :count_letter, :count_size, keyword_init: true) do
            def list? = !count_letter.nil?
          end

        # name [String]; records [Integer]; properties [Array<Property>]
        Element = Struct.new(:name, :records, :properties)

        # @return [Array<Element>]
        attr_reader :elements
        # @return [Array<String>]
        attr_reader :comments
        # @return [Integer] bytes of the head; lines of it
        attr_reader :bytesize, :lines

        # @raise [FormatError] where: { file:, line: }
        def initialize(bytes, name)
          @name = name
          head = bytes.byteslice(0, LONGEST).b
          # All lines of the head end as the first does; what follows may be numbers that look like a line's end.
          line_end = head[/\Aply *(\r\n|\r|\n)/, 1]
          @bytesize =
            head.match(/#{line_end}end_header *(?:#{line_end}|\z)/n)&.end(0) ||
              fail_at(1, "the head does not end with end_header")
          @elements = []
          @comments = []
          rows = head.byteslice(0, @bytesize).split(/\r\n|\r|\n/)
          @lines = rows.size
          rows.each_with_index { |row, i| read(row.force_encoding(Encoding::UTF_8).scrub.strip, i + 1) }
          fail_at(2, "a line such as \"format ascii 1.0\" is lacking") unless defined?(@order)
        end

        def ascii? = @order.nil?

        private

        def read(row, line)
          word, *rest = row.split
          case word
          when "format"
            @order = FORMATS.fetch(rest[0]) { fail_at(line, "format #{rest[0].inspect} is not known") }
          when "comment", "obj_info"
            @comments << row.sub(/\A\w+\s*/, "")
          when "element"
            @elements << Element.new(rest[0].to_s, count(rest[1], line), [])
          when "property"
            (@elements.last || fail_at(line, "a property before any element")).properties << property(rest, line)
          when "ply", "end_header", nil
            nil
          else
            fail_at(line, "#{word.inspect[0, 30]} is not a word of the head")
          end
        end

        def count(text, line)
          fail_at(line, "#{text.inspect[0, 30]} is not a count") unless text.to_s.match?(/\A\d{1,12}\z/)
          text.to_i.tap { |number| Limits.validate(@name, vertices: number) if number > Limits::MOST_VERTICES }
        end

        def property(words, line)
          fail_at(line, "the format must stand before the elements") unless defined?(@order)
          list = words.first == "list"
          fail_at(line, "a property has a type and a name") if words.size < (list ? 4 : 2)
          types =
            (list ? words[1, 2] : words[0, 1]).map do |type|
              TYPES[type] || fail_at(line, "type #{type.inspect[0, 30]} is not known")
            end
          letter = types.last[@order || 0]
          Property.new(
            name: words.last,
            letter: letter,
            bytes: types.last[2],
            count_letter: list ? types[0][@order || 0] : nil,
            count_size: list ? types[0][2] : nil
          )
        end

        def fail_at(line, message) = Fault.at(@name, message, line: line)
      end
    end
  end
end
