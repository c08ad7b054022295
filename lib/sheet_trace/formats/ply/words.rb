# frozen_string_literal: true

module SheetTrace
  module Formats
    module Ply
      # The words of a text, one after the other. All of them at once would take twenty times the text's memory.
      class Words
        BLOCK_BYTES = 262_144
        private_constant :BLOCK_BYTES

        # @param bytes [String]; from [Integer] where they begin
        def initialize(bytes, from)
          @bytes = bytes
          @at = from
          @words = []
          @index = 0
        end

        # @return [String, nil] nil behind the last
        def next
          fill if @index == @words.size
          word = @words[@index]
          @index += 1
          word
        end

        private

        # The words of the next block, and the rest of the one that it ends in.
        def fill
          @index = 0
          @words = []
          while @words.empty? && @at < @bytes.bytesize
            stop = @bytes.index(/\s/n, [@at + BLOCK_BYTES, @bytes.bytesize].min) || @bytes.bytesize
            @words = @bytes.byteslice(@at...stop).split
            @at = stop
          end
        end
      end
    end
  end
end
