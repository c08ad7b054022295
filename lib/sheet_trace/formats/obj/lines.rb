# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Lines of one first word, kept as the blocks of text they stood in, so that all their numbers can
      # be read at once and an error can still name its line.
      class Lines
        # @return [Integer] how many lines
        attr_reader :size

        # @param word [String] the first word
        def initialize(word)
          @word = word
          @blocks = []
          @size = 0
        end

        # @param text [String] whole lines, each with its newline
        # @param number [Integer] line number of the first
        def add(text, number)
          count = text.count("\n")
          @blocks << [text, number, count]
          @size += count
        end

        def empty? = size.zero?

        # @return [String] all numbers, with commas between them
        def numbers_text
          text.byteslice((@word.size + 1)..-2).gsub("\n#{@word} ", ",").tr("/ ", ",")
        end

        # @return [Array<String>] each line without its first word
        def texts = text.lines.map { |line| line.byteslice((@word.size + 1)..).strip }

        # @return [Array<Integer>] how many words each line has behind the first
        def word_counts
          spaces = text.delete("^ \n")
          first = spaces[..spaces.index("\n")]
          return Array.new(size, first.size - 1) if spaces == first * size # most files: all lines alike

          spaces.split("\n").map(&:size)
        end

        # @return [Integer] the line number of the row at an index
        def number(index)
          @blocks.each do |_text, first, count|
            return first + index if index < count

            index -= count
          end
        end

        private

        def text = @text ||= @blocks.map(&:first).join
      end
    end
  end
end
