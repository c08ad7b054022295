# frozen_string_literal: true

module SheetTrace
  module Formats
    module Tga
      # Reads Truevision TGA: colour-mapped, true-colour and grey pictures, plain or run-length encoded, of 8, 15, 16,
      # 24 and 32 bits, from any corner.
      # Interleaved pictures, which no writer makes any more, are refused.
      # Source: Truevision, "TGA File Format Specification", version 2.0, 1991.
      class Reader
        HEADER = 18
        MOST_PIXELS = 100_000_000
        AT_ONCE = 1_000_000 # px, so that what is worked out in between stays small
        private_constant :HEADER, :MOST_PIXELS, :AT_ONCE

        # A TGA has no signature at its start: the header must make sense.
        #
        # @param bytes [String]
        def self.tga?(bytes)
          return false if bytes.bytesize < HEADER

          map_type, kind, map_first, map_size, map_depth = bytes.unpack("x1 C C S< S< C")
          depth = bytes.getbyte(16)
          [0, 1].include?(map_type) && [1, 2, 3, 9, 10, 11].include?(kind) && [8, 15, 16, 24, 32].include?(depth) &&
            (
              map_type == 1 ? [15, 16, 24, 32].include?(map_depth) && map_size.positive? : map_first.zero? || kind != 1
            ) && bytes[12, 4].unpack("S<2").min.positive?
        end

        # @param bytes [String]; name [String] for messages
        # @return [Numo::UInt8] h x w x 4, red, green, blue and opacity
        # @raise [FormatError] where: { file:, byte: }
        # @raise [UnsupportedFeatureError, LimitError]
        def self.call(bytes, name:) = new(bytes, name).send(:pixels)

        def initialize(bytes, name)
          @bytes = bytes
          @name = name
          id_size, @map_type, @kind, @map_first, @map_size, @map_depth, @width, @height, @depth, @descriptor =
            bytes.unpack("C C C S< S< C x4 S< S< C C")
          @at = HEADER + id_size
        end
        private_class_method :new

        private

        def pixels
          if @descriptor & 0xC0 != 0
            raise UnsupportedFeatureError.new(
                    "#{@name}: its rows are interleaved; save it again without",
                    where: {
                      file: @name,
                      byte: 17
                    }
                  )
          end

          count = @width * @height
          if count > MOST_PIXELS
            raise LimitError.new(
                    "#{@name} is #{@width} x #{@height} px; at most #{MOST_PIXELS} px are taken",
                    where: {
                      limit: MOST_PIXELS,
                      got: count
                    }
                  )
          end

          map = @map_type == 1 ? color_map : nil
          upright(colors(@kind > 8 ? unpacked(count) : take(count * step), count, map).reshape(@height, @width, 4))
        end

        def colors(bytes, count, map)
          out = Numo::UInt8.zeros(count, 4)
          (0...count).step(AT_ONCE) do |from|
            size = [AT_ONCE, count - from].min
            values = numbers(bytes.byteslice(from * step, size * step), @depth)
            out[from...(from + size), true] = (
              if map && [1, 9].include?(@kind)
                looked_up(map, values)
              else
                rgba(values, @depth)
              end
            )
          end
          out
        end

        def step = (@depth + 7) / 8

        def take(size)
          part = @bytes.byteslice(@at, size) || "".b
          raise cut_off if part.bytesize < size

          @at += size
          part
        end

        def cut_off
          FormatError.new(
            "#{@name} is cut off at byte #{@bytes.bytesize}; save it again and bring in the new file",
            where: {
              file: @name,
              byte: @bytes.bytesize
            }
          )
        end

        def color_map = rgba(numbers(take(@map_size * ((@map_depth + 7) / 8)), @map_depth), @map_depth)

        def looked_up(map, values)
          rows = values - @map_first
          unless rows.empty? || rows.minmax.all? { |row| row.between?(0, @map_size - 1) }
            raise FormatError.new(
                    "#{@name}: a px has a colour beyond its map of #{@map_size}; save it again",
                    where: {
                      file: @name,
                      byte: @at
                    }
                  )
          end

          map[rows, true]
        end

        # Packets: a byte that says how many, then one px repeated or as many px as they are.
        def unpacked(count)
          out = +"".b
          while out.bytesize < count * step
            head = take(1).getbyte(0)
            length = (head & 0x7F) + 1
            out << (head & 0x80 == 0 ? take(length * step) : take(step) * length)
          end
          out.byteslice(0, count * step)
        end

        def numbers(bytes, depth)
          planes = Numo::UInt8.from_binary(bytes).reshape(bytes.bytesize / ((depth + 7) / 8), (depth + 7) / 8)
          (0...planes.shape[1]).sum { |k| Numo::Int64.cast(planes[true, k]) << (8 * k) }
        end

        # Little-endian: blue lowest.
        def rgba(values, depth)
          channels =
            case depth
            when 8
              [values, values, values, nil]
            when 15, 16
              [10, 5, 0].map { |shift| (((values >> shift) & 31) * 255 / 31.0).round } << nil
            else
              [16, 8, 0].map { |shift| (values >> shift) & 255 } << (
                depth == 32 && @descriptor.anybits?(15) ? (values >> 24) & 255 : nil
              )
            end
          Numo::UInt8
            .zeros(values.size, 4)
            .tap { |out| channels.each_with_index { |channel, k| out[true, k] = channel || 255 } }
        end

        # Rows from the bottom and columns from the left, unless bits 5 and 4 say otherwise.
        def upright(grid)
          grid = grid.reverse(0) if @descriptor.nobits?(0x20)
          @descriptor.nobits?(0x10) ? grid : grid.reverse(1)
        end
      end
    end
  end
end
