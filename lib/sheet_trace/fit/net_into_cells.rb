# frozen_string_literal: true

module SheetTrace
  module Fit
    # Sets a net of joined panels onto the cells of a printed net: as one piece first, and then each panel's corners
    # onto those of its cell.
    module NetIntoCells
      AT_CORNER = 1e-3 # share of a side within which a point is the corner
      private_constant :AT_CORNER

      # @param layout [Layout]; island [Integer]
      # @param flat_map [Flatten::FlatMap] of the island: the shape it starts from, upright as seen from outside
      # @param boxes [Array<Array(Float, Float, Float, Float)>] of the cells, px of the sheet
      # @param turn_rad [Float]; mirror [Boolean] as IntoCell, from upright
      # @return [Array(Numo::DFloat, Boolean)] P x 2 px for all points of the map, and whether every panel has a
      #   cell of its own
      def self.call(layout, island, flat_map, boxes, turn_rad: 0.0, mirror: false)
        map = layout.uv_map
        own = map.island_points[island]
        all = [
          boxes.map { |box| box[0] }.min,
          boxes.map { |box| box[1] }.min,
          boxes.map { |box| box[2] }.max,
          boxes.map { |box| box[3] }.max
        ]
        points = layout.points_px.copy
        flat = flat_map.coordinates_mm * Numo::DFloat[[1, -1]] # px run down
        points[own, true] = IntoCell.call(flat, all, way: "fill", turn_rad: turn_rad, mirror: mirror).apply(flat)
        panels = panels(map, island, points, boxes)
        return points, false unless panels.values.all?

        snap(map, points, panels)
        [points, true]
      end

      # @return [Hash{Integer => Array(Float, Float, Float, Float), nil}] face => box of the cell that its middle
      #   lies in
      def self.panels(map, island, points, boxes)
        map.island_faces[island].to_a.to_h do |face|
          corners = corners_of(map, face)
          x, y = [0, 1].map { |axis| points[corners, axis].mean }
          [face, boxes.find { |left, top, right, bottom| x.between?(left, right) && y.between?(top, bottom) }]
        end
      end

      def self.corners_of(map, face) =
        map.corner_points[map.mesh.face_starts[face]...map.mesh.face_starts[face + 1]].to_a

      # A point goes to the mean of the corners that are nearest to it, of the cells of all its panels: where cells
      # touch they are one. Points inside a
      # side, as of faces that were cut smaller, keep their share of it.
      def self.snap(map, points, panels)
        wanted = Hash.new { |all, point| all[point] = [] }
        panels
          .group_by(&:last)
          .each do |box, faces|
            corners = faces.flat_map { |face, _box| corners_of(map, face) }.uniq
            low, high = [0, 1].map { |axis| points[corners, axis].minmax }.transpose
            corners.each { |point| wanted[point] << stretched(points[point, true].to_a, low, high, box) }
          end
        wanted.each do |point, places|
          points[point, true] = [0, 1].map { |axis| places.sum { |place| place[axis] } / places.size }
        end
      end

      def self.stretched(place, low, high, box)
        [0, 1].map do |axis|
          length = high[axis] - low[axis]
          share = length > 1e-9 ? (place[axis] - low[axis]) / length : 0.5
          share = share.round if (share - share.round).abs < AT_CORNER
          box[axis] + (share * (box[axis + 2] - box[axis]))
        end
      end
      private_class_method :panels, :corners_of, :snap, :stretched
    end
  end
end
