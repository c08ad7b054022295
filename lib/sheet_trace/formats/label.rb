# frozen_string_literal: true

require "cgi"

module SheetTrace
  module Formats
    # What a file of a drawing or texture says of itself beside its picture.
    #
    # title [String]; code [String, nil] of the layout that it was made from
    Label =
      Struct.new(:title, :code, keyword_init: true) do
        # @return [String] an XMP packet
        # Source: ISO 16684-1:2019 (XMP), with Dublin Core's title and identifier.
        def to_xmp
          title_text = CGI.escapeHTML(title.to_s)
          <<~XML
            <?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
            <x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
            <rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/">
            <dc:title><rdf:Alt><rdf:li xml:lang="x-default">#{title_text}</rdf:li></rdf:Alt></dc:title>
            <dc:identifier>#{self}</dc:identifier>
            </rdf:Description></rdf:RDF></x:xmpmeta>
            <?xpacket end="w"?>
          XML
        end

        # @return [String] the code, as it stands in files
        def to_s = code ? "sheet-trace:#{code}" : ""
      end

    # How it is found again.
    class Label
      CODE = /sheet-trace:([0-9A-Z]{4}-[0-9A-Z]{4})/
      private_constant :CODE

      # @param bytes [String] of a file that may say one: a picture, SVG, PDF or OpenRaster
      # @return [String, nil] the code of the layout
      def self.code(bytes)
        plain = bytes.b
        plain[CODE, 1] || (plain.start_with?("\x89PNG".b) ? of_png(bytes) : nil) ||
          (of_zip(bytes) if Zip::Reader.zip?(bytes))
      end

      # PNG keeps it deflated.
      def self.of_png(bytes)
        image = Vips::Image.new_from_buffer(bytes, "")
        image.get("xmp-data").b[CODE, 1] if image.get_typeof("xmp-data").positive?
      rescue Vips::Error
        nil
      end

      def self.of_zip(bytes) = Zip::Reader.call(bytes, name: "file")["stack.xml"].to_s.b[CODE, 1]
      private_class_method :of_png, :of_zip
    end
  end
end
