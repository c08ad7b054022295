# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # The whole model as it is seen from one side, and through to its back: the content is stretched over the box
      # round it. A gradient runs along the model so, whatever the layout is.
      class FromSide < Kept
        # To the right and up, as the side is seen.
        AXES = {
          "front" => [[1, 0, 0], [0, 1, 0]],
          "back" => [[-1, 0, 0], [0, 1, 0]],
          "left" => [[0, 0, 1], [0, 1, 0]],
          "right" => [[0, 0, -1], [0, 1, 0]],
          "above" => [[1, 0, 0], [0, 0, -1]],
          "below" => [[1, 0, 0], [0, 0, 1]]
        }.freeze
        private_constant :AXES

        one_of :side, AXES.keys, "that is looked at", default: "front"

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @param canvas [Canvas]
        # @return [Frame, nil] nil where nothing of the model is on the sheet
        def frame(canvas, _content)
          map = canvas.layout.uv_map
          return if map.triangles.count.zero?

          corners = corners_px(canvas, map)
          texel_map = canvas.texel_map_of(corners)
          return if texel_map.texels.empty?

          across, down = shares(map)
          covered_px = Pieces.covered_px(corners, across, down)
          TriangleFrame.call(texel_map, across, down, covered_px: covered_px, whole: true)
        end

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content) = [canvas.layout]

        # @return [FromSide] the same on another map
        def handed_on(_carry) = self

        # @return [String] in words
        def to_words(_job, _content) =
          "over the model as seen from #{%w[above below].include?(side) ? "" : "the "}#{side}"

        private

        # @return [Numo::DFloat] t x 3 x 2
        def corners_px(canvas, map)
          places = canvas.size.to_px(canvas.layout.points_uv)
          corners = Numo::DFloat.zeros(map.triangles.count, 3, 2)
          2.times { |axis| corners[true, true, axis] = places[true, axis][map.triangles.points] }
          corners
        end

        # @return [Array<Numo::DFloat>] t x 3 shares across from the left, and down from the top
        def shares(map)
          right, up = AXES.fetch(side).map { |axis| map.mesh.positions.dot(Numo::DFloat.cast(axis)) }
          [right, -up].map do |places|
            low, high = places.minmax
            ((places - low) / [high - low, Float::MIN].max)[map.triangles.vertices]
          end
        end
      end
    end
  end
end
