# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Reads lines of numbers. The lines become one JSON text, which Ruby's parser reads several times as
      # fast as Float() does; what JSON refuses (.5, 1., +1, nan) goes line by line, so that an error
      # can name its line.
      module Numbers
        # @param lines [Lines] n lines
        # @param least [Integer] how many numbers a line must have
        # @param keep [Integer] how many are kept, padded with 0
        # @param file [String] for messages
        # @return [Array(Numo::DFloat, Array<Integer>)] n x keep numbers; and the numbers of the lines that had more
        # @raise [FormatError] where: { file:, line: }
        def self.floats(lines, least:, keep:, file:)
          return Numo::DFloat.zeros(0, keep), [] if lines.empty?

          packed = json(lines, "d*") if lines.word_counts.all?(keep)
          longer = []
          packed, longer = fit(slow(lines, file), lines, least, keep, file) unless packed&.bytesize ==
            lines.size * keep * 8
          values = Numo::DFloat.from_binary(packed, [lines.size, keep])
          refuse_infinite(values, lines, file)
          [values, longer]
        end

        # @param lines [Lines] face lines of one style
        # @param stride [Integer] numbers a corner
        # @return [Array(Numo::Int64, Array<Integer>)] corners x stride numbers; how many corners each line has
        # @raise [FormatError] where: { file:, line: }
        def self.corners(lines, stride:, file:)
          sizes = lines.word_counts
          packed = json(lines, "q*") { |text| text.gsub(",,", ",") }
          # leading zeros
          packed ||= lines.texts.flat_map { |text| text.split(%r{[/ ]+}).map { |word| word.to_i(10) } }.pack("q*")
          numbers = Numo::Int64.from_binary(packed)
          return numbers.reshape(sizes.sum, stride), sizes if numbers.size == sizes.sum * stride

          bad = lines.texts.each_with_index.find { |text, i| text.scan(/\d+/).size != sizes[i] * stride }.last
          Fault.at(file, "a corner lacks a number", line: lines.number(bad))
        end

        # @return [String, nil] the numbers packed; nil if JSON takes them for something else
        def self.json(lines, packing)
          text = lines.numbers_text
          text = yield text if block_given?
          JSON.parse("[#{text}]").pack(packing)
        rescue JSON::ParserError, TypeError, RangeError
          nil
        end

        def self.slow(lines, file)
          lines.texts.each_with_index.map do |text, i|
            text
              .sub(/#.*\z/, "")
              .split
              .map do |word|
                Float(word.sub(/\.\z/, "").sub(/\A([+-]?)\./, '\10.').sub(/\.(?=[eE])/, ""))
              rescue ArgumentError
                Fault.at(file, "#{word.inspect[0, 40]} is not a finite number", line: lines.number(i))
              end
          end
        end

        def self.fit(rows, lines, least, keep, file)
          longer = []
          rows.each_with_index do |row, i|
            if row.size < least
              Fault.at(file, "#{row.size} numbers, and at least #{least} are needed", line: lines.number(i))
            end
            longer << lines.number(i) if row.size > keep
          end
          [rows.flat_map { |row| (row + ([0.0] * keep)).first(keep) }.pack("d*"), longer]
        end

        def self.refuse_infinite(values, lines, file)
          bad = (~values.isfinite).where
          return if bad.empty?

          Fault.at(file, "a number is too large to keep", line: lines.number(bad[0] / values.shape[1]))
        end

        private_class_method :json, :slow, :fit, :refuse_infinite
      end
    end
  end
end
