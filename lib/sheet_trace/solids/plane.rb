# frozen_string_literal: true

module SheetTrace
  module Solids
    # A flat sheet that stands upright and looks to the front.
    module Plane
      extend Parameters

      number :width_mm, Solids::LENGTH_MM, label: "width, x", default: 100.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 100.0

      # @return [Panels]
      def self.call(width_mm:, height_mm:)
        flat = [[0.0, 0.0], [width_mm, 0.0], [width_mm, height_mm], [0.0, height_mm]]
        panels = Panels.new
        panels.panel { panels.face(flat.map { |u, v| [u - (width_mm / 2), v, 0.0] }, flat) }
      end
    end
  end
end
