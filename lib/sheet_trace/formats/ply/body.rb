# frozen_string_literal: true

module SheetTrace
  module Formats
    module Ply
      # The numbers behind a PLY head, element by element. Binary elements whose lists are all of one length, as most
      # are, are read as one table; the rest record by record.
      class Body
        LONGEST_LIST = 10_000
        KINDS = {
          "c" => Numo::Int8,
          "C" => Numo::UInt8,
          "s" => Numo::Int16,
          "S" => Numo::UInt16,
          "l" => Numo::Int32,
          "L" => Numo::UInt32,
          "e" => Numo::SFloat,
          "g" => Numo::SFloat,
          "E" => Numo::DFloat,
          "G" => Numo::DFloat
        }.freeze
        private_constant :LONGEST_LIST, :KINDS

        # One property's numbers: those of a list one after the other.
        #
        # numbers [Numo::DFloat] n; sizes [Numo::Int64, nil] of each record's list; nil for single values
        Column = Struct.new(:numbers, :sizes)

        # @param header [Header]
        # @param bytes [String] the whole file
        # @param name [String] for messages
        # @return [Hash{String => Hash{String => Column}}] element => property => values
        # @raise [FormatError] where: { file:, byte: } or { file:, line: }
        def self.call(header, bytes, name) = new(header, bytes, name).send(:all)

        def initialize(header, bytes, name)
          @header = header
          @name = name
          @bytes = bytes.b
          @at = header.bytesize
          @words = nil
        end
        private_class_method :new

        private

        def all
          @words = Words.new(@bytes, @at) if @header.ascii?
          @header.elements.to_h { |element| [element.name, element.records.zero? ? {} : read(element)] }
        end

        def read(element)
          return from_words(element) if @header.ascii?

          table(element) || records(element)
        end

        # As many records as fit are looked at in one step: right if each has the lists of the first.
        def table(element)
          layout = first_layout(element) or return
          size = layout.sum { |_property, count, _start| count }
          return if size.zero? || @at + (size * element.records) > @bytes.bytesize

          rows = Numo::UInt8.from_binary(@bytes.byteslice(@at, size * element.records), [element.records, size])
          columns = layout.to_h { |property, length, start| [property.name, column(rows, property, start, length)] }
          return unless columns.values.all?

          @at += size * element.records
          columns
        end

        # @return [Column, nil] nil if not all lists are as long as the first
        def column(rows, property, start, length)
          return Column.new(part(rows, property, start, length), nil) unless property.list?

          counts =
            numbers(rows[true, start...(start + property.count_size)], property.count_letter, property.count_size)
          return unless counts.eq(counts[0]).all?
          Column.new(
            part(rows, property, start + property.count_size, length - property.count_size),
            Numo::Int64.cast(counts)
          )
        end

        def part(rows, property, start, length)
          if length.zero?
            Numo::DFloat.zeros(0)
          else
            numbers(rows[true, start...(start + length)], property.letter, property.bytes)
          end
        end

        # @return [Array, nil] property, bytes and start of each column of the first record; nil if it runs past the end
        def first_layout(element)
          start = 0
          layout =
            element.properties.map do |property|
              length = property.list? ? list_bytes(property, @at + start) : property.bytes
              break unless length

              [property, length, start].tap { start += length }
            end
          layout if layout && @at + start <= @bytes.bytesize
        end

        def list_bytes(property, at)
          count = @bytes.byteslice(at, property.count_size)&.unpack1(property.count_letter)
          property.count_size + (count.to_i * property.bytes) if count&.between?(0, LONGEST_LIST) && count == count.to_i
        end

        def numbers(bytes, letter, size)
          packed = bytes.copy.to_binary
          kind = KINDS.fetch(letter[0])
          values = kind.from_binary(packed)
          values = values.swap_byte if size > 1 && (letter.end_with?(">") || "gG".include?(letter))
          Numo::DFloat.cast(values)
        end

        def records(element)
          values = element.properties.map { [] }
          sizes = element.properties.map { [] }
          element.records.times do
            element.properties.each_with_index do |property, i|
              count = property.list? ? take(property.count_letter, property.count_size, 1)[0] : 1
              fail_at(byte: @at, message: "a list of #{count} numbers") unless count.between?(0, LONGEST_LIST)
              count = count.to_i
              sizes[i] << count if property.list?
              values[i].concat(take(property.letter, property.bytes, count)) unless count.zero?
            end
          end
          columns_of(element, values, sizes)
        end

        def take(letter, size, count)
          fail_at(byte: @at, message: "the file is cut off") if @at + (size * count) > @bytes.bytesize
          @bytes.byteslice(@at, size * count).unpack("#{letter}#{count}").tap { @at += size * count }
        end

        def from_words(element)
          values = element.properties.map { [] }
          sizes = element.properties.map { [] }
          element.records.times do |record|
            element.properties.each_with_index do |property, i|
              count = property.list? ? word(element, record) : 1
              unless count.between?(0, LONGEST_LIST)
                fail_at(message: "#{element.name} #{record}: a list of #{count} numbers")
              end
              count = count.to_i
              sizes[i] << count if property.list?
              count.times { values[i] << word(element, record) }
            end
          end
          columns_of(element, values, sizes)
        end

        def word(element, record)
          text = @words.next or fail_at(message: "the file ends within #{element.name} #{record} of #{element.records}")
          Float(text)
        rescue ArgumentError
          fail_at(message: "#{element.name} #{record}: #{text.inspect[0, 30]} is not a number")
        end

        def columns_of(element, values, sizes)
          element.properties.each_with_index.to_h do |property, i|
            packed = values[i].empty? ? Numo::DFloat.zeros(0) : Numo::DFloat.from_binary(values[i].pack("d*"))
            [property.name, Column.new(packed, property.list? ? Numo::Int64.cast(sizes[i]) : nil)]
          end
        end

        def fail_at(message:, byte: nil) = Fault.at(@name, message, byte: byte)
      end
    end
  end
end
