# frozen_string_literal: true

require "fileutils"
require "tmpdir"
require "ttfunk"

module SheetTrace
  module Artwork
    # A font that lettering is set in: one of those that ship with the application, or one that was brought into a job,
    # which is known by its digest from when it was brought in on. Lengths are shares of the em.
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
      # Fonts that don't say it have capitals about as high (common practice, no source).
      USUAL_CAP = 0.7
      private_constant :FOLDER, :USUAL_CAP

      # @return [String] of FILES, or a digest
      attr_reader :name
      # @return [String]
      attr_reader :path

      # @param name [String] of FILES, or the digest of a font that was brought in
      # @return [Font]
      # @raise [KeyError] if there is none
      def self.named(name) = known.fetch(name) { known[name] = new(name, File.join(FOLDER, FILES.fetch(name))) }

      # Makes a font known. Pango reads fonts from files, so it gets one.
      #
      # @param file [FontFile]
      # @return [Font]
      def self.bring(file) = known[file.digest] ||= new(file.digest, written(file))

      def self.known = @known ||= {}

      def self.written(file)
        folder = File.join(Dir.tmpdir, "sheet-trace-fonts-#{Process.uid}")
        FileUtils.mkdir_p(folder, mode: 0o700)
        raise SecurityError, "#{folder} is another user's" unless File.owned?(folder)

        path = File.join(folder, "#{file.digest}.ttf")
        unless File.size?(path) == file.bytes.bytesize
          File.binwrite("#{path}.#{Process.pid}", file.bytes)
          File.rename("#{path}.#{Process.pid}", path)
        end
        path
      end

      def initialize(name, path)
        @name = name
        @path = path
        @tables = TTFunk::File.open(@path)
      end
      private_class_method :new, :known, :written

      # @return [String] what painters call it
      def title = shipped? ? name : [family, style].compact.join(" ")

      # @return [String] what Pango knows it by
      def description = shipped? ? name : [family, style].compact.join(", ")

      # @return [Float] height of capitals
      def cap_height
        own = @tables.os2.exists? && @tables.os2.version >= 2 ? @tables.os2.cap_height.to_i : 0
        own.positive? ? own.fdiv(@tables.header.units_per_em) : USUAL_CAP
      end

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

      # @return [String] bytes of its file
      def bytes = File.binread(path)

      private

      def shipped? = FILES.key?(name)
      def family = plain(@tables.name.preferred_family) || plain(@tables.name.font_family)
      def style =
        (plain(@tables.name.preferred_subfamily) || plain(@tables.name.font_subfamily)).then do |own|
          own unless own == "Regular"
        end

      # @return [String, nil] the first that is said
      def plain(texts) = texts.map { |text| text.strip_extended.strip }.find { |text| !text.empty? }
    end
  end
end
