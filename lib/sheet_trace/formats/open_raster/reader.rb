# frozen_string_literal: true

module SheetTrace
  module Formats
    module OpenRaster
      # Reads OpenRaster: the merged picture, and each layer by itself, at its place on the canvas. Groups, opacity
      # and ways to blend are left to the
      # merged picture; a layer comes as it was painted.
      # Source: OpenRaster 0.0.6 specification (freedesktop.org): mimetype, stack.xml, mergedimage.png.
      module Reader
        MOST_LAYERS = 200
        private_constant :MOST_LAYERS

        # width_px, height_px [Integer]; merged [String] PNG bytes
        # layers [Array<Array(String, String, Integer, Integer)>] name, PNG bytes, x and y of each, the upper ones
        # first; notes [Array<Note>]
        Document = Struct.new(:width_px, :height_px, :merged, :layers, :notes, keyword_init: true)

        # @param bytes [String] a zip
        # @return [Document]
        # @raise [FormatError] if neither a merged picture nor layers can be read; where: { file: }
        def self.call(bytes, name:)
          files = Zip::Reader.call(bytes, name: name)
          merged = files["mergedimage.png"]
          stack =
            files["stack.xml"]&.then { |xml| Nokogiri.XML(xml) { |config| config.strict.nonet } }&.at_xpath("/image")
          unless merged || stack
            raise FormatError.new(
                    "#{name} is a zip with neither layers nor a merged picture; bring the picture itself, or " \
                      "OpenRaster",
                    where: {
                      file: name
                    }
                  )
          end

          refuse_entities(stack, name)
          layers = stack ? stack.xpath(".//layer").first(MOST_LAYERS).filter_map { |layer| layer(layer, files) } : []
          Document.new(
            width_px: stack&.[]("w").to_i,
            height_px: stack&.[]("h").to_i,
            merged: merged,
            layers: layers,
            notes: notes(name, stack, merged, layers)
          )
        rescue Nokogiri::XML::SyntaxError => e
          unless merged
            raise FormatError.new("#{name}: its stack.xml is broken: #{e.message.scrub[0, 80]}", where: { file: name })
          end

          Document.new(width_px: 0, height_px: 0, merged: merged, layers: [], notes: notes(name, nil, merged, []))
        end

        def self.refuse_entities(stack, name)
          return unless stack&.document&.internal_subset

          raise FormatError.new("#{name}: a stack.xml with a DOCTYPE or entities is not read", where: { file: name })
        end

        def self.layer(layer, files)
          bytes = files[layer["src"].to_s] or return
          [
            layer["name"].to_s.strip.then { |given| given.empty? ? File.basename(layer["src"], ".*") : given[0, 80] },
            bytes,
            layer["x"].to_i,
            layer["y"].to_i
          ]
        end

        def self.notes(name, stack, merged, layers)
          messages = []
          if stack.nil? || layers.empty?
            messages << "#{name}: its layers can't be read; the merged picture was read instead"
          end
          messages << "#{name} holds no merged picture; its layers were read one by one" unless merged
          messages.map { |message| Note.new(code: "layers_not_read", message: message, where: { file: name }) }
        end
        private_class_method :refuse_entities, :layer, :notes
      end
    end
  end
end
