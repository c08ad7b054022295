# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lettered squares drawn straight on the sheet, of a size that is 10 mm on the surface where an island
    # has the layout's mean density. On the model they show stretch (squares become oblongs), scale
    # (larger or smaller than 10 mm) and reading direction (letters turned or mirrored).
    class TestChart
      SQUARE_MM = 10.0
      TINTS = %w[#f6f2e9 #bcd3cd].freeze
      INK = "#1f2a36"
      SMALLEST_LETTERS_PX = 14
      MOST_SQUARES = 40_000
      FONT = "DejaVu Sans"
      private_constant :TINTS, :INK, :SMALLEST_LETTERS_PX, :MOST_SQUARES, :FONT

      # @param size [Layout::Sheet]
      # @param density_px_per_mm [Float] the layout's mean density at that size
      # @param lettered [Boolean] false for a plain checker
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.call(size, density_px_per_mm:, lettered: true) =
        new(size, density_px_per_mm * SQUARE_MM, lettered).send(:image)

      # Spreadsheet-like row letters: A, B, ... Z, AA, AB ...
      def self.letters(row)
        row < 26 ? (65 + row).chr : letters((row / 26) - 1) + (65 + (row % 26)).chr
      end

      def initialize(size, square_px, lettered)
        @size = size
        @lettered = lettered
        least = Math.sqrt(size.width_px * size.height_px / MOST_SQUARES.to_f)
        @square_px = [square_px, least, 2.0].max
      end
      private_class_method :new

      private

      def image = Drawing::CairoImage.call(@size.width_px, @size.height_px) { |context| draw(context) }

      def draw(context)
        context.select_font_face(FONT, Cairo::FONT_SLANT_NORMAL, Cairo::FONT_WEIGHT_BOLD)
        context.set_font_size(@square_px * 0.36)
        (@size.height_px / @square_px).ceil.times do |row|
          (@size.width_px / @square_px).ceil.times { |column| square(context, row, column) }
        end
      end

      def square(context, row, column)
        context.set_source_rgb(*Drawing::Color.parse(TINTS[(row + column) % 2]).to_a)
        context.rectangle(column * @square_px, row * @square_px, @square_px, @square_px)
        context.fill
        letter(context, row, column) if @lettered && @square_px >= SMALLEST_LETTERS_PX
      end

      def letter(context, row, column)
        text = "#{self.class.letters(row)}#{column + 1}"
        extents = context.text_extents(text)
        context.set_source_rgb(*Drawing::Color.parse(INK).to_a)
        context.move_to(
          ((column + 0.5) * @square_px) - (extents.width / 2) - extents.x_bearing,
          ((row + 0.5) * @square_px) - (extents.height / 2) - extents.y_bearing
        )
        context.show_text(text)
      end
    end
  end
end
