# frozen_string_literal: true

module SheetTrace
  module Fit
    # Which colour cell is nearest to each material, by the distance of colours as they are seen.
    # Source: CIE 1976 L*a*b* (CIE 15), white D65; sRGB to linear after IEC 61966-2-1.
    module Palette
      TO_XYZ = [[0.4124, 0.3576, 0.1805], [0.2126, 0.7152, 0.0722], [0.0193, 0.1192, 0.9505]].freeze
      WHITE = [0.9505, 1.0, 1.089].freeze
      private_constant :TO_XYZ, :WHITE

      # @param materials [Array<Mesh::Material>]; cells [Array<Cell>]
      # @param neutral [Integer, nil] cell for materials without a colour
      # @return [Hash{Integer => Integer}] material => cell
      def self.call(materials, cells, neutral: nil)
        flat = cells.each_index.select { |i| cells[i].flat && cells[i].color }
        seen = flat.to_h { |i| [i, lab(cells[i].color.map { |value| value / 255.0 })] }
        materials
          .each_with_index
          .filter_map do |material, i|
            next neutral && [i, neutral] unless material.color && seen.any?

            own = lab(material.color.first(3))
            [i, flat.min_by { |cell| own.zip(seen[cell]).sum { |a, b| (a - b)**2 } }]
          end
          .to_h
      end

      # @param rgb [Array(Float, Float, Float)] sRGB shares
      # @return [Array(Float, Float, Float)] L*, a*, b*
      def self.lab(rgb)
        linear = rgb.map { |value| value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055)**2.4 }
        x, y, z = TO_XYZ.zip(WHITE).map { |row, white| curve(row.zip(linear).sum { |a, b| a * b } / white) }
        [(116 * y) - 16, 500 * (x - y), 200 * (y - z)]
      end

      def self.curve(value) = value > (6.0 / 29)**3 ? Math.cbrt(value) : (value / (3 * ((6.0 / 29)**2))) + (4.0 / 29)
      private_class_method :curve
    end
  end
end
