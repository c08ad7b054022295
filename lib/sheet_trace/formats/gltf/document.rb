# frozen_string_literal: true

module SheetTrace
  module Formats
    module Gltf
      # The JSON of a glTF file, read with its types checked, and the bytes that it names.
      # Source: Khronos, "glTF 2.0 Specification", 3.6 (binary data), 4 (GLB), 5 (properties).
      class Document
        MAGIC = "glTF".b
        CHUNK_JSON = 0x4E4F534A
        CHUNK_BIN = 0x004E4942
        private_constant :MAGIC, :CHUNK_JSON, :CHUNK_BIN

        # @return [String] of the file
        attr_reader :name

        # @param bytes [String]
        # @param name [String]
        # @param bundle [Bundle]
        # @raise [FormatError] where: { file:, byte: } or { file:, path: }
        def initialize(bytes, name:, bundle:)
          @name = name
          @bundle = bundle
          json, @binary = bytes.byteslice(0, 4) == MAGIC ? chunks(bytes.b) : [bytes, nil]
          @root = parse(json)
          @buffers = {}
          @lists = {}
          version = text(object(@root, "asset", ""), "version", "asset")
          fail_at("asset/version", "this is glTF #{version}; version 2 is read") unless version.start_with?("2.")
        end

        # @return [Array<Hash>] a list at the top of the document
        def list(key) = @lists[key] ||= objects(@root, key, "")

        # @return [Hash] an entry of a top list, by index
        # @raise [FormatError] if there is no such entry
        def entry(key, index, path)
          unless index.is_a?(Integer) && index.between?(0, list(key).size - 1)
            fail_at(path, "#{key} #{index.inspect} does not exist; there are #{list(key).size}")
          end
          list(key)[index]
        end

        attr_reader :root

        # Typed reading of members; nil where they are not there.
        def object(from, key, path) = typed(from, key, path, Hash, "an object") || {}
        def text(from, key, path, default: "") = typed(from, key, path, String, "text") || default
        def number(from, key, path, default: nil) = typed(from, key, path, Numeric, "a number") || default

        def integer(from, key, path, default: nil, most: 2**31)
          value = number(from, key, path, default: default)
          return value if value.nil? || (value.is_a?(Integer) && value.between?(0, most))

          fail_at("#{path}/#{key}", "#{value} is not a whole number from 0 to #{most}")
        end

        def objects(from, key, path)
          found = typed(from, key, path, Array, "a list") || []
          found.each_with_index do |entry, i|
            fail_at("#{path}/#{key}/#{i}", "an object belongs here") unless entry.is_a?(Hash)
          end
        end

        def numbers(from, key, path, count)
          found = typed(from, key, path, Array, "a list") or return
          return found.map(&:to_f) if found.size == count && found.all?(Numeric)

          fail_at("#{path}/#{key}", "#{count} numbers belong here")
        end

        def integers(from, key, path)
          found = typed(from, key, path, Array, "a list") || []
          found.each do |entry|
            unless entry.is_a?(Integer) && entry >= 0
              fail_at("#{path}/#{key}", "#{entry.inspect[0, 20]} is not an index")
            end
          end
        end

        # @return [String] a piece of a buffer
        def view(index, path)
          view = entry("bufferViews", index, path)
          at = "bufferViews/#{index}"
          buffer = buffer(integer(view, "buffer", at), at)
          start = integer(view, "byteOffset", at, default: 0)
          length = integer(view, "byteLength", at, default: 0)
          if start + length > buffer.bytesize
            fail_at(at, "bytes #{start} to #{start + length} lie outside its buffer of #{buffer.bytesize}")
          end
          [buffer.byteslice(start, length), integer(view, "byteStride", at)]
        end

        # @return [Array(String, String), nil] file name and bytes of an image; nil if it was not brought along
        def image(index, path)
          image = entry("images", index, path)
          at = "images/#{index}"
          if image.key?("bufferView")
            type = text(image, "mimeType", at).split("/").last.to_s[/\A[a-z0-9]+\z/] || "png"
            return [
              "#{label(image, "image #{index}")}.#{type.sub("jpeg", "jpg")}",
              view(integer(image, "bufferView", at), at).first
            ]
          end
          uri = text(image, "uri", at)
          if uri.start_with?("data:")
            return [
              "#{label(image, "image #{index}")}.#{uri[%r{\Adata:image/(\w+)}, 1].to_s.sub("jpeg", "jpg")}",
              data(uri, at)
            ]
          end

          found = @bundle.find(uri)
          found && [File.basename(found[0]), found[1]]
        end

        def label(from, default)
          from["name"].is_a?(String) && !from["name"].strip.empty? ? from["name"].tr("/\\", "--").strip : default
        end

        def fail_at(path, message) = Fault.at(name, message, path: path)

        private

        def chunks(bytes)
          _magic, version, length = bytes.unpack("a4 V V")
          fail_byte(4, "this is GLB version #{version.inspect}; version 2 is read") unless version == 2
          if length.nil? || length > bytes.bytesize
            fail_byte(8, "the file is cut off: #{length} bytes announced, #{bytes.bytesize} there")
          end
          found = {}
          at = 12
          while at + 8 <= length
            size, type = bytes.byteslice(at, 8).unpack("V V")
            fail_byte(at, "a chunk of #{size} bytes runs past the end") if at + 8 + size > length
            found[type] ||= bytes.byteslice(at + 8, size)
            at += 8 + size
          end
          [found[CHUNK_JSON] || fail_byte(12, "the JSON chunk is lacking"), found[CHUNK_BIN]]
        end

        def fail_byte(byte, message) = Fault.at(name, message, byte: byte)

        def parse(json)
          value =
            JSON.parse(
              json.dup.force_encoding(Encoding::UTF_8).scrub("\u{FFFD}").delete_prefix("\u{FEFF}"),
              max_nesting: 60
            )
          fail_at("", "a JSON object belongs here") unless value.is_a?(Hash)
          value
        rescue JSON::ParserError, EncodingError
          fail_at("", "this is not JSON, so not a glTF file")
        end

        def typed(from, key, path, type, words)
          value = from[key]
          return value if value.nil? || value.is_a?(type)

          fail_at([path, key].reject(&:empty?).join("/"), "#{words} belongs here")
        end

        def buffer(index, path)
          @buffers[index] ||= begin
            entry = entry("buffers", index, path)
            at = "buffers/#{index}"
            bytes = entry.key?("uri") ? referred(text(entry, "uri", at), at) : @binary
            bytes || fail_at(at, "it has neither a uri nor a binary chunk")
          end
        end

        def referred(uri, path)
          return data(uri, path) if uri.start_with?("data:")

          _path, bytes = @bundle.find(uri)
          bytes || fail_at(path, "#{uri[0, 80]} was not brought along; bring in the file beside the model")
        end

        def data(uri, path)
          uri[/\Adata:[^,]*;base64,(.*)\z/m, 1]&.unpack1("m0") || fail_at(path, "its data URI is not base64")
        rescue ArgumentError
          fail_at(path, "its data URI is not base64")
        end
      end
    end
  end
end
