# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The rims of a rolled-out band, on its flat map: on a cone's they are arcs round one centre, on a cylinder's
    # straight lines. What is laid along them is measured along and across: mm to the right along the arc through a
    # spot, and mm up from that arc.
    class Rims
      # A cylinder or cone must come as near as this, as a share of the band's size.
      NEAR = 0.01
      private_constant :NEAR

      # @param flat_map [FlatMap]
      # @param piece [Cut::Piece] the island; unit_mm [Float]
      # @return [Rims]
      # @raise [MeshError] if the island is no band of a cylinder or cone
      def self.call(flat_map, piece, unit_mm)
        band = RollOut.fit(piece)
        raise MeshError, "it is no band of a cylinder or cone" if band.error > NEAR

        far = Geometry::Vectors.lengths(piece.positions - Numo::DFloat[band.origin]) * unit_mm
        new(flat_map.coordinates_mm, band.kind == "cone" ? centre(flat_map.coordinates_mm, far) : nil)
      end

      # The place whose distances from the points are those from the apex, by least squares:
      # x^2 + y^2 - far^2 = 2 x cx + 2 y cy + c.
      def self.centre(places, far)
        x, y = [0, 1].map { |axis| places[true, axis] }
        columns = [x * 2, y * 2, (x * 0) + 1]
        right = (x**2) + (y**2) - (far**2)
        Geometry::LinearSystem.solve(
          columns.map { |a| columns.map { |b| (a * b).sum } },
          columns.map { |a| (a * right).sum }
        )&.first(2)
      end
      private_class_method :centre

      # @return [Array(Float, Float), nil] where all rims have their centre on the flat map, mm; nil where they are
      #   straight
      attr_reader :centre

      def initialize(places, centre)
        @places = places
        @centre = centre
        freeze
      end
      private_class_method :new

      # @param x [Numo::DFloat] places on the flat map, mm; y [Numo::DFloat]
      # @param x_mm [Float] the spot; y_mm [Float]
      # @return [Array(Numo::DFloat, Numo::DFloat)] along and across from the spot, mm
      def along(x, y, x_mm, y_mm)
        return x - x_mm, y - y_mm unless centre

        radius = radius_at(x_mm, y_mm)
        to_spot = [x_mm - centre[0], y_mm - centre[1]].map { |side| side / radius }
        # Along the way from the centre to the spot, and square to it.
        out = ((x - centre[0]) * to_spot[0]) + ((y - centre[1]) * to_spot[1])
        side = ((x - centre[0]) * -to_spot[1]) + ((y - centre[1]) * to_spot[0])
        up = upwards(y_mm)
        [Numo::NMath.atan2(side, out) * radius * -up, (Numo::NMath.hypot(out, side) - radius) * up]
      end

      # The way back from .along.
      #
      # @param places [Numo::DFloat] n x 2, along and across from the spot, mm
      # @return [Numo::DFloat] n x 2 on the flat map, mm
      def at(places, x_mm, y_mm)
        return places + Numo::DFloat[[x_mm, y_mm]] unless centre

        radius = radius_at(x_mm, y_mm)
        up = upwards(y_mm)
        angle = (places[true, 0] * -up / radius) + Math.atan2(y_mm - centre[1], x_mm - centre[0])
        far = (places[true, 1] * up) + radius
        Geometry::Vectors.columns(
          [(Numo::NMath.cos(angle) * far) + centre[0], (Numo::NMath.sin(angle) * far) + centre[1]]
        )
      end

      # @return [Float] length of the band round through a spot, mm
      def round_mm(x_mm, y_mm)
        across, = along(@places[true, 0], @places[true, 1], x_mm, y_mm)
        across.max - across.min
      end

      # @param up_mm [Float] above the spot
      # @return [Float] how wide there is what is 1 wide at the spot
      def width_at(x_mm, y_mm, up_mm)
        return 1.0 unless centre

        1 + (up_mm * upwards(y_mm) / radius_at(x_mm, y_mm))
      end

      private

      def radius_at(x_mm, y_mm) = [Math.hypot(x_mm - centre[0], y_mm - centre[1]), Float::MIN].max

      # @return [Integer] 1 where up leads away from the centre
      def upwards(y_mm) = y_mm >= centre[1] ? 1 : -1
    end
  end
end
