# frozen_string_literal: true

module SheetTrace
  module Solids
    # Gathers the faces of a solid with the flat shape of each panel, and packs the panels at one scale.
    class Panels
      SHEET = { width_px: 1024, height_px: 1024 }.freeze
      private_constant :SHEET

      def initialize
        @faces = []
        @panels = 0
      end

      # Starts a panel: what is added in the block lies together on the sheet.
      def panel
        @panels += 1
        yield
        self
      end

      # @param corners [Array<Array(Float, Float, Float)>] mm, anticlockwise from outside
      # @param flat [Array<Array(Float, Float)>] where they lie on the panel, mm, y up
      def face(corners, flat) = @faces << [@panels - 1, corners, flat]

      # A panel of quadrilaterals over a grid of points. Points that coincide make triangles.
      #
      # @param rows [Array<Array<Array>>] rows from below, each from left to right: [[x, y, z], [u, v]]
      def grid(rows)
        rows.each_cons(2) do |lower, upper|
          (0...(lower.size - 1)).each do |i|
            ring = [lower[i], lower[i + 1], upper[i + 1], upper[i]]
            ring = ring.each_with_index.reject { |(point, _), k| same?(point, ring[k - 1][0]) }.map(&:first)
            face(*ring.transpose) if ring.size > 2
          end
        end
      end

      # @return [Formats::Reading]
      def reading(name)
        places = packed
        piece =
          Formats::Assembly::Piece.new(
            part: name,
            material: 0,
            sizes: Numo::Int64.cast(@faces.map { |_panel, corners, _flat| corners.size }),
            **vertices,
            uvs: {
              "panels" => [places, Numo::Int64.new(places.shape[0]).seq]
            }
          )
        assembly = Formats::Assembly.new(name, weld: true)
        assembly.part(name)
        assembly.add(piece)
        mesh, sets = assembly.build([Mesh::Material.new(name: "plain")])
        Formats::Reading.new(mesh: mesh, uv_sets: sets, notes: [], format: "solid", unit_mm: 1.0, up_axis: "y")
      end

      private

      def same?(a, b) = a.zip(b).all? { |p, q| (p - q).abs < 1e-9 }

      # Rounding is taken out, so that points which should coincide do.
      def vertices
        points =
          @faces
            .flat_map { |_panel, corners, _flat| corners }
            .map { |point| point.map { |value| value.round(9) + 0.0 } }
        { positions: Numo::DFloat.cast(points), vertices: Numo::Int64.new(points.size).seq }
      end

      def packed
        flats =
          @faces
            .map { |panel, _corners, flat| [panel, flat] }
            .group_by(&:first)
            .transform_values { |some| some.flat_map(&:last) }
        lows, sizes = flats.values.map { |points| bounds(points) }.transpose
        sheet = Layout::Sheet.new(**SHEET)
        places, scale = Layout::PackRows.call(sizes, sheet: sheet)
        px =
          @faces.flat_map do |panel, _corners, flat|
            left, top = places[panel]
            flat.map do |u, v|
              [left + ((u - lows[panel][0]) * scale), top + ((sizes[panel][1] - (v - lows[panel][1])) * scale)]
            end
          end
        sheet.px_to_uv.apply(Numo::DFloat.cast(px))
      end

      def bounds(points)
        low, high = points.transpose.map(&:minmax).transpose
        [low, low.zip(high).map { |a, b| b - a }]
      end
    end
  end
end
