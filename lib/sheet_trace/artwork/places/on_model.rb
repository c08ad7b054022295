# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A skin held to the model: whatever the layout is now, each place of the surface has the colour that it had on
      # the layout that the skin was painted on.
      class OnModel < Kept
        # Texels beside islands of the old sheet that take the island's colour before it is sampled.
        BESIDE_PX = 3
        private_constant :BESIDE_PX

        # The guide's lines are drawn so much wider than they are, as they are smooth and may have been scaled.
        SMOOTH_PX = 2
        private_constant :SMOOTH_PX

        text :painted_on, "the name of the layout, as hold_skin gives it"
        number :guide_px,
               0.0..32.0,
               "width in the picture of the template's lines that were left in it: they are filled from beside",
               default: 0.0

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @param canvas [Canvas]
        # @return [Frame, nil] nil where nothing that was painted is on the sheet now
        def frame(canvas, _content)
          painted = canvas.painted_layout(painted_on)
          corners = common_corners(canvas.layout.uv_map, painted.uv_map)
          return if corners.empty?

          now = corners_of(canvas.size.to_px(canvas.layout.points_uv), canvas.layout.uv_map, corners)
          texel_map = all?(corners, canvas.layout.uv_map) ? canvas.whole_map : canvas.texel_map_of(now)
          return if texel_map.texels.empty?

          before = corners_of(painted.sheet.uv_to_px.apply(painted.points_uv), painted.uv_map, corners)
          sides = [painted.sheet.width_px, painted.sheet.height_px]
          across, down = Array.new(2) { |axis| before[true, true, axis] / sides[axis] }
          TriangleFrame.call(
            texel_map,
            across,
            down,
            covered_px: covered_px(now, before, sides),
            whole: [across, down].all? { |shares| shares.min >= 0 && shares.max <= 1 },
            prepared: ->(image) { spread(image, before, sides, painted) }
          )
        end

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content) = [canvas.layout, canvas.painted_layout(painted_on)]

        # @return [OnModel] the same on another map
        def handed_on(_carry) = self

        # @return [String] in words
        def to_words(_job, _content) = "held to the model"

        private

        # @return [Numo::Int32] t x 3 corners of the mesh: triangles that are on both sheets
        def common_corners(now, before)
          cut = now.mesh.triangulation
          rows = (now.face_mapped[cut.faces] & before.face_mapped[cut.faces]).where
          rows.empty? ? rows : cut.corners[rows, true]
        end

        # Both are in the order of the mesh's triangulation.
        def all?(corners, map) = corners.shape[0] == map.triangles.count

        # @return [Numo::DFloat] t x 3 x 2
        def corners_of(places, map, corners)
          points = map.corner_points[corners]
          found = Numo::DFloat.zeros(*points.shape, 2)
          2.times { |axis| found[true, true, axis] = places[true, axis][points] }
          found
        end

        # Texels now that the old sheet's sides would cover, by area: they tell how far it must be brought down first.
        def covered_px(now, before, sides)
          areas = [now, before].map { |corners| doubled_areas(corners).abs.sum }
          scale = Math.sqrt(areas[0] / [areas[1], Float::MIN].max)
          sides.map { |px| px * scale }
        end

        def doubled_areas(corners)
          ax, ay, bx, by =
            [1, 2].flat_map { |k| Array.new(2) { |axis| corners[true, k, axis] - corners[true, 0, axis] } }
          (ax * by) - (ay * bx)
        end

        # Beside its islands the old sheet has other paint, or none: that must not come in at their rims. Nor must the
        # guide's lines.
        def spread(image, before, sides, painted)
          corners = before.copy
          2.times { |axis| corners[true, true, axis] *= [image.width, image.height][axis].fdiv(sides[axis]) }
          map =
            Raster::TexelMap.call(
              corners.reshape(corners.shape[0] * 3, 2),
              Numo::Int32.new(corners.shape[0], 3).seq,
              width_px: image.width,
              height_px: image.height
            )
          targets, sources = guide_px.zero? ? map.bleed(BESIDE_PX) : beside_guide(map, painted)
          return image if targets.empty?

          pixels = Numo::UInt32.from_binary(image.write_to_memory)
          pixels[targets] = pixels[sources].copy
          Patch.image(pixels, image.width, image.height)
        end

        def beside_guide(map, painted)
          size = Layout::Sheet.new(width_px: map.width_px, height_px: map.height_px)
          lines =
            Trace::Template.call(painted, size: size, line_px: guide_px + SMOOTH_PX, hard: true).to_image(hard: true)
          owner = map.owner.copy
          owner[Numo::UInt8.from_binary(lines[3].write_to_memory).gt(0).where] = 0
          Raster::Bleed.call(owner, map.width_px, map.height_px, BESIDE_PX + guide_px.ceil)
        end
      end
    end
  end
end
