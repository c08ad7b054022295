# frozen_string_literal: true

module SheetTrace
  module Solids
    # A carton of six panels.
    module Box
      extend Parameters

      number :width_mm, Solids::LENGTH_MM, label: "width, x", default: 80.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 120.0
      number :depth_mm, Solids::LENGTH_MM, label: "depth, z", default: 50.0

      # Directions of right and up on each side, as seen from outside.
      SIDES = {
        front: [[1, 0, 0], [0, 1, 0]],
        right: [[0, 0, -1], [0, 1, 0]],
        back: [[-1, 0, 0], [0, 1, 0]],
        left: [[0, 0, 1], [0, 1, 0]],
        top: [[1, 0, 0], [0, 0, -1]],
        bottom: [[1, 0, 0], [0, 0, 1]]
      }.freeze

      # @return [Panels]
      def self.call(width_mm:, height_mm:, depth_mm:)
        half = [width_mm / 2, height_mm / 2, depth_mm / 2]
        SIDES
          .each_value
          .with_object(Panels.new) do |(right, up), panels|
            out = cross(right, up)
            across, along = [right, up].map { |axis| half.zip(axis).sum { |size, share| size * share.abs } }
            flat = [[-across, -along], [across, -along], [across, along], [-across, along]]
            corners =
              flat.map do |u, v|
                (0..2).map { |i| (right[i] * u) + (up[i] * v) + (out[i] * half[i]) + (i == 1 ? half[1] : 0) }
              end
            panels.panel { panels.face(corners, flat) }
          end
      end

      def self.cross(a, b) = [[1, 2], [2, 0], [0, 1]].map { |i, j| (a[i] * b[j]) - (a[j] * b[i]) }
    end
  end
end
