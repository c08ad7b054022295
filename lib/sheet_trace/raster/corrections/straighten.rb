# frozen_string_literal: true

module SheetTrace
  module Raster
    module Corrections
      # Makes a rectangle of four corners, as of a panel photographed aslant.
      module Straighten
        extend Parameters

        parameter :corners,
                  Parameters::ListOf.new(Parameters::Numbers.new(2), sizes: 4..4, entry: "corner"),
                  "px: top left, top right, bottom right, bottom left"
        whole :width_px, 1..16_384, "of the rectangle; the mean lengths of opposite sides if nil", optional: true
        whole :height_px, 1..16_384, optional: true

        PLACES = 4 # clockwise from the top left

        def self.begun(_size, places) = { corners: places.map { |place| place.map { |px| px.round(1) } } }

        # @return [String, nil] what is wrong with the corners
        def self.problem(_size, corners:, **)
          "the corners don't go round a rectangle; name them from the top left clockwise" unless round?(corners)
        end

        def self.size(_size, corners:, width_px:, height_px:)
          top, right, bottom, left =
            corners.each_index.map { |i| Math.hypot(*corners[i].zip(corners[(i + 1) % 4]).map { |a, b| b - a }) }
          [width_px || [((top + bottom) / 2).round, 1].max, height_px || [((left + right) / 2).round, 1].max]
        end

        def self.call(image, corners:, width_px:, height_px:)
          width, height = size(nil, corners: corners, width_px: width_px, height_px: height_px)
          map =
            Geometry::Homography.fit(
              Numo::DFloat[[0, 0], [width, 0], [width, height], [0, height]],
              Numo::DFloat.cast(corners)
            )
          rows = Numo::DFloat.new(height * width).seq
          middles = Geometry::Vectors.columns([(rows % width) + 0.5, (rows / width).floor + 0.5])
          Corrections.resample(image, map.apply(middles).reshape(height, width, 2))
        end

        def self.round?(corners)
          turns =
            corners.each_index.map do |i|
              (ax, ay), (bx, by), (cx, cy) = [corners[i - 1], corners[i], corners[(i + 1) % 4]]
              ((bx - ax) * (cy - by)) - ((by - ay) * (cx - bx))
            end
          turns.all?(&:positive?)
        end
        private_class_method :round?
      end
    end
  end
end
