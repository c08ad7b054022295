# frozen_string_literal: true

require "ttfunk"

module SheetTrace
  module Artwork
    # A font that lettering is set in. Lengths are shares of the em.
    class Font
      FOLDER = Drawing::FONTS
      # What painters choose from => file; the first is the usual one.
      FILES = {
        "Lora" => "lora-regular.ttf",
        "Lora Bold" => "lora-bold.ttf",
        "Lora Italic" => "lora-italic.ttf",
        "Oswald" => "oswald-regular.ttf",
        "Oswald Bold" => "oswald-bold.ttf",
        "Pacifico" => "pacifico-regular.ttf"
      }.freeze
      private_constant :FOLDER

      # @return [String] of FILES
      attr_reader :name
      # @return [String]
      attr_reader :path

      # @param name [String] of FILES
      # @return [Font]
      def self.named(name) = (@named ||= {})[name] ||= new(name)

      def initialize(name)
        @name = name
        @path = File.join(FOLDER, FILES.fetch(name))
        @tables = TTFunk::File.open(@path)
      end
      private_class_method :new

      # @return [Float] height of capitals
      def cap_height = @tables.os2.cap_height.fdiv(@tables.header.units_per_em)

      # @return [Float] from one line to the next, as the font has it
      def line_height
        line = @tables.horizontal_header
        (line.ascent - line.descent + line.line_gap).fdiv(@tables.header.units_per_em)
      end

      # @param text [String]
      # @return [Array<String>] characters of it that the font has no glyph for, each once
      def missing(text)
        glyphs = @tables.cmap.unicode.first
        text.delete("\n").chars.uniq.select { |character| glyphs[character.ord].zero? }
      end
    end
  end
end
