# frozen_string_literal: true

module SheetTrace
  module Artwork
    # How the art of a sheet is raised: heights read off its colours, and the normal map that follows from them. A
    # recipe only: it is worked out anew from whatever the sheet shows.
    class Relief < Parameters::Declared
      include ReadOff

      FROM = { "lightness" => "what is light is high", "color" => "what is near to the colour is" }.freeze
      # What is made of it: heights as 16-bit grey, and the normal map.
      PICTURES = %w[height normals].freeze
      LEVELS_16 = 65_535
      private_constant :LEVELS_16

      ReadOff.declare(self, FROM, smooth_px: 1.0)
      number :height_mm, 0.001..1000.0, "from the lowest to the highest", default: 0.5

      # @param kind [String] of PICTURES; the rest as .normals takes it
      # @return [Vips::Image]
      def picture(kind, sheet, px_per_mm:, scale: 1.0)
        return normals(sheet, px_per_mm: px_per_mm, scale: scale) if kind == "normals"

        (levels(sheet, scale: scale) * LEVELS_16).rint.cast(:ushort).copy(interpretation: :grey16)
      end

      # Red to the right of the sheet, green up it, blue outwards.
      #
      # @param px_per_mm [Float] of the sheet as it is given
      # @return [Vips::Image] 8-bit RGB
      # Source: Khronos, "glTF 2.0 Specification", 3.9.3 (normal texture); slopes by central differences.
      def normals(sheet, px_per_mm:, scale: 1.0)
        raised = levels(sheet, scale: scale) * (height_mm * px_per_mm)
        right, down = slopes(raised)
        length = ((right * right) + (down * down) + 1)**0.5
        parts = [right * -1, down, (right * 0) + 1].map { |part| ((((part / length) + 1) / 2) * 255).rint.cast(:uchar) }
        parts[0].bandjoin(parts.drop(1)).copy(interpretation: :srgb)
      end

      # @return [String] in words
      def to_words = "from #{from == "color" ? "what is near #{color}" : "lightness"}, #{height_mm} mm high"

      private

      # Rise to the right and downwards, a px.
      def slopes(raised)
        across = Vips::Image.new_from_array([[-0.5, 0, 0.5]])
        [across, across.rot90].map { |mask| raised.conv(mask, precision: :float) }
      end
    end
  end
end
