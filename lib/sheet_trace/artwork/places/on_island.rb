# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A rectangle on one island by its size on the model. Each texel of the island asks the flat map where on the
      # surface it lies, and so where in
      # the content, which keeps its proportions on the model however the island is stretched or turned on the sheet.
      class OnIsland < Kept
        WIDTH_MM = (0.001..1_000_000.0)
        PLACE_MM = (-1_000_000.0..1_000_000.0)

        island :island
        number :width_mm, WIDTH_MM, "its height follows from the content's proportions"
        number :x_mm, PLACE_MM, "its middle, right of the island's as seen from outside", default: 0.0
        number :y_mm, PLACE_MM, "its middle, above the island's", default: 0.0
        angle :turn_rad, -1000..1000, "clockwise; 0 is upright on the model", default: 0.0
        one_of :along,
               %w[straight rim],
               "rim: bent with a rolled-out band, so that its lines run along the rims, true at its middle height",
               default: "straight"

        fact :height_mm, Parameters::Number.new(0..1e12)
        # Corners on the sheet: top left, top right, bottom right, bottom left.
        fact :frame_px, Parameters::ListOf.new(Parameters::Numbers.new(2))
        # From its box, as it is turned, to the border of the island's: left, right, top, bottom.
        fact :edges_mm, Parameters::Numbers.new(4)
        # Which side of the model its middle looks to from there: the panel, on the net of a box.
        fact :panel, Parameters::Text.new(80)
        # Ratio of the larger to the smaller size that a disc comes out with, over what the content covers.
        fact :stretch_mean, Parameters::Number.new(1..1e6)
        fact :stretch_worst, Parameters::Number.new(1..1e6)
        # Along the rim: how long the band is round through the middle, and how wide the content comes out at its top
        # and its bottom; 0 where it is straight.
        fact :round_mm, Parameters::Number.new(0..1e12)
        fact :rim_widths_mm, Parameters::Numbers.new(2)
        # How x_mm and y_mm change with px right and px down: x/right, x/down, y/right, y/down.
        fact :mm_per_px, Parameters::Numbers.new(4)

        # @param content [Object] for its proportions
        # @return [Array(Float, Float)] mm
        def size_mm(content) = [width_mm, width_mm / content.aspect]

        # @param canvas [Canvas]
        # @return [Frame, nil] nil if no texel of the island is on the sheet
        # @raise [UvError] as Flatten::FlatMap says
        def frame(canvas, content)
          texel_map = canvas.island_map(island)
          return if texel_map.texels.empty?

          flat = flat_corners(canvas)
          across, down = content_corners(flat, content, canvas.flat_map(island))
          TriangleFrame.call(texel_map, across, down, covered_px: covered_px(canvas, flat, content))
        end

        def facts(job, content)
          height_mm = size_mm(content)[1]
          flat_map = job.flat_map(island)
          guide = IslandFrame.call(self, height_mm: height_mm, flat_map: flat_map, layout: job.layout)
          {
            height_mm: height_mm,
            frame_px: guide.corners_px,
            edges_mm: edges_mm(flat_map, height_mm),
            panel: panel(job),
            mm_per_px: guide.mm_per_px,
            **round(flat_map, height_mm),
            **stretch(job, flat_map, content)
          }
        end

        # @raise [UvError, MeshError] where the island can't be laid flat, or is no band where it must be one
        def ready(job) = job.flat_map(island).then { |flat_map| flat_map.rims if rim? }

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content) = canvas.layout.placements[island, true].to_a

        # @param carry [Object] as Job::Carry has it
        # @return [OnIsland] the same spot of the surface, measured on the island that it lies on now
        def handed_on(carry) = with(**carry.spot(island, x_mm, y_mm, turn_rad))

        # @param job [Job]
        # @return [Float]
        def density_px_per_mm(job, _content) = job.measures[island].density_px_per_mm

        # @return [String] in words
        def to_words(job, content)
          width, height = size_mm(content).map { |mm| format("%.2f", mm).sub(/\.?0+\z/, "") }
          name = job.island_names[island]
          on = around?(job) ? "#{panel(job)} of #{name}" : name
          "on #{on}, #{width} x #{height} mm"
        end

        private

        def rim? = along == "rim"

        # What laying the island flat has left, in the triangles that the content lies on.
        def stretch(job, flat_map, content)
          map = job.layout.uv_map
          rows = map.island_triangles[island]
          corners = flat_map.by_point.map { |values| values[map.triangles.points[rows, true]] }
          shares = content_corners(corners, content, flat_map)
          under = shares.map { |share| share.max(axis: 1).gt(0) & share.min(axis: 1).lt(1) }.reduce(:&).where
          return { stretch_mean: 1.0, stretch_worst: 1.0 } if under.empty?

          space = map.triangle_positions(job.unit_mm, rows[under])
          plane = Array.new(3) { |k| corners.map { |values| values[under, k] } }
          jacobians = UvMap::Jacobians.call(space, plane)
          large, small = jacobians.singular_values
          ratios = large / Numo::DFloat.maximum(small, (large * 1e-6) + Float::MIN)
          areas = jacobians.area_mm2
          { stretch_mean: (ratios * areas).sum / [areas.sum, Float::MIN].max, stretch_worst: ratios.max }
        end

        def round(flat_map, height_mm)
          return { round_mm: 0.0, rim_widths_mm: [0.0, 0.0] } unless rim?

          rims = flat_map.rims
          widths = [height_mm / 2, -height_mm / 2].map { |up| rims.width_at(x_mm, y_mm, up) * width_mm }
          { round_mm: rims.round_mm(x_mm, y_mm), rim_widths_mm: widths }
        end

        def edges_mm(flat_map, height_mm)
          cos = Math.cos(turn_rad).abs
          sin = Math.sin(turn_rad).abs
          half = [(width_mm * cos) + (height_mm * sin), (width_mm * sin) + (height_mm * cos)].map { |side| side / 2 }
          across, down = flat_map.size_mm.map { |side| side / 2 }
          [across + x_mm - half[0], across - x_mm - half[0], down - y_mm - half[1], down + y_mm - half[1]]
        end

        # Whether its island goes round the model, as a net does.
        def around?(job) = Mesh::Facing.names(job.layout.uv_map.mean_normals[[island], true]).first == "Around"

        def panel(job)
          map = job.layout.uv_map
          face = map.triangles.faces[map.island_triangles[island][job.flat_map(island).row_at(x_mm, y_mm)]]
          Mesh::Facing.names(Geometry::Vectors.unit(map.mesh.face_area_vectors[[face], true])).first
        end

        # @return [Array<Numo::DFloat>] t x 3 each: x and y of the corners of the island's triangles on the flat map, mm
        def flat_corners(canvas)
          map = canvas.layout.uv_map
          points = map.triangles.points[map.island_triangles[island], true]
          canvas.flat_map(island).by_point.map { |values| values[points] }
        end

        # @return [Array<Numo::DFloat>] t x 3 each: where the corners lie in the content, across and down
        def content_corners((x, y), content, flat_map)
          width, height = size_mm(content)
          cos = Math.cos(turn_rad)
          sin = Math.sin(turn_rad)
          x, y = rim? ? flat_map.rims.along(x, y, x_mm, y_mm) : [x - x_mm, y - y_mm]
          [(((x * cos) - (y * sin)) / width) + 0.5, 0.5 - (((x * sin) + (y * cos)) / height)]
        end

        # Root mean square of the sheet's px per mm along the sides, times their lengths.
        def covered_px(canvas, flat, content)
          map = canvas.layout.uv_map
          corners = Array.new(3) { |k| [*flat.map { |values| values[true, k] }, Numo::DFloat.zeros(flat[0].shape[0])] }
          jacobians =
            UvMap::Jacobians.call(
              corners,
              map.triangle_places(canvas.size.to_px(canvas.layout.points_uv), map.island_triangles[island])
            )
          area = jacobians.area_mm2
          cos = Math.cos(turn_rad)
          sin = Math.sin(turn_rad)
          [[cos, -sin], [sin, cos]].zip(size_mm(content))
            .map do |(x, y), length_mm|
              dx, dy = jacobians.on_plane([x, y, 0.0])
              length_mm * Math.sqrt((((dx**2) + (dy**2)) * area).sum / [area.sum, Float::MIN].max)
            end
        end
      end
    end
  end
end
