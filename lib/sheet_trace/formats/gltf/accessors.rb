# frozen_string_literal: true

module SheetTrace
  module Formats
    module Gltf
      # Reads accessors: interleaved or not, normalised, sparse.
      # Source: Khronos, "glTF 2.0 Specification", 3.6.2 (accessors), 3.6.2.3 (sparse), 3.11 (normalised integers).
      class Accessors
        TYPES = {
          5120 => [Numo::Int8, 1, 127.0],
          5121 => [Numo::UInt8, 1, 255.0],
          5122 => [Numo::Int16, 2, 32_767.0],
          5123 => [Numo::UInt16, 2, 65_535.0],
          5125 => [Numo::UInt32, 4, nil],
          5126 => [Numo::SFloat, 4, nil]
        }.freeze
        WIDTHS = { "SCALAR" => 1, "VEC2" => 2, "VEC3" => 3, "VEC4" => 4 }.freeze
        private_constant :TYPES, :WIDTHS

        # @param document [Document]
        def initialize(document)
          @document = document
          @known = {}
          @numbers = 0
        end

        # @param index [Integer] of the accessor
        # @param width [Integer] numbers an element must have
        # @param path [String] for messages
        # @return [Numo::DFloat] n x width
        # @raise [FormatError] where: { file:, path: }
        # @raise [LimitError] where: { limit:, got: }
        def read(index, width, path) = @known[[index, width]] ||= read_anew(index, width, path).freeze

        # @param index [Integer] of an accessor of three or four numbers an element
        # @return [Integer] how many
        def width(index, path)
          @document.text(@document.entry("accessors", index, path), "type", "accessors/#{index}") == "VEC4" ? 4 : 3
        end

        # @return [Numo::Int64] n indices, each below limit
        def indices(index, limit, path)
          values = read(index, 1, path)
          return Numo::Int64.zeros(0) if values.empty?

          numbers = Numo::Int64.cast(values.flatten)
          bad = (numbers >= limit).where
          @document.fail_at(path, "vertex #{numbers[bad[0]]} does not exist; there are #{limit}") unless bad.empty?
          numbers
        end

        private

        def read_anew(index, width, path)
          accessor = @document.entry("accessors", index, path)
          at = "accessors/#{index}"
          own = WIDTHS[@document.text(accessor, "type", at)]
          unless own == width
            @document.fail_at(at, "its type is #{accessor["type"].inspect[0, 20]}; #{WIDTHS.key(width)} belongs here")
          end
          count = @document.integer(accessor, "count", at, default: 0)
          Limits.validate(@document.name, vertices: count / 3, uvs: (@numbers += count * width) / 4)
          values = base(accessor, count, width, at)
          if accessor["sparse"]
            sparse(values, @document.object(accessor, "sparse", at), accessor, width, "#{at}/sparse")
          end
          accessor["normalized"] == true ? normalised(values, accessor, at) : values
        end

        def type(accessor, at)
          TYPES[accessor["componentType"]] ||
            @document.fail_at(at, "componentType #{accessor["componentType"].inspect[0, 20]} is not known")
        end

        def base(accessor, count, width, at)
          return Numo::DFloat.zeros(count, width) if accessor["bufferView"].nil? || count.zero?

          bytes, stride = @document.view(@document.integer(accessor, "bufferView", at), at)
          elements(
            bytes,
            stride,
            @document.integer(accessor, "byteOffset", at, default: 0),
            count,
            width,
            type(accessor, at),
            at
          )
        end

        def elements(bytes, stride, start, count, width, (kind, size, _most), at)
          element = width * size
          stride = element if stride.nil? || stride.zero?
          last = start + (stride * (count - 1)) + element
          if last > bytes.bytesize || stride < element
            @document.fail_at(at, "its #{count} elements need #{last} bytes; its buffer view has #{bytes.bytesize}")
          end
          packed =
            if stride == element
              bytes.byteslice(start, element * count)
            else
              whole = bytes.byteslice(start, stride * count).ljust(stride * count, "\0")
              Numo::UInt8.from_binary(whole, [count, stride])[true, 0...element].copy.to_binary
            end
          Numo::DFloat.cast(kind.from_binary(packed, [count, width]))
        end

        def sparse(values, from, accessor, width, at)
          count = @document.integer(from, "count", at, default: 0)
          return if count.zero?

          where = @document.object(from, "indices", at)
          rows = part(where, count, 1, type(where, at), "#{at}/indices").flatten
          if rows.max >= values.shape[0]
            @document.fail_at(at, "element #{rows.max.to_i} does not exist; there are #{values.shape[0]}")
          end
          values[Numo::Int64.cast(rows), true] = part(
            @document.object(from, "values", at),
            count,
            width,
            type(accessor, at),
            "#{at}/values"
          )
        end

        def part(from, count, width, kind, at)
          bytes, = @document.view(@document.integer(from, "bufferView", at), at)
          elements(bytes, nil, @document.integer(from, "byteOffset", at, default: 0), count, width, kind, at)
        end

        def normalised(values, accessor, at)
          most = type(accessor, at)[2] or return values
          (values / most).clip(-1.0, 1.0)
        end
      end
    end
  end
end
