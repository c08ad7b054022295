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
        PULL = (-5.0..5.0)

        island :island
        number :width_mm, WIDTH_MM, "its height follows from the content's proportions"
        number :x_mm, PLACE_MM, "its middle, right of the island's as seen from outside", default: 0.0
        number :y_mm, PLACE_MM, "its middle, above the island's", default: 0.0
        angle :turn_rad, -1000..1000, "clockwise; 0 is upright on the model", default: 0.0
        one_of :along,
               %w[straight rim],
               "rim: bent with a rolled-out band, so that its lines run along the rims, true at its middle height",
               default: "straight"
        angle :bend_rad,
              (-350 * Math::PI / 180)..(350 * Math::PI / 180),
              "of the circle that its width goes along: above 0 an arch, below 0 a bowl",
              default: 0.0
        numbers :corners,
                8,
                PULL,
                "how far its corners are pulled, right and down, shares of its width and height; top left, top right, " \
                  "bottom right, bottom left",
                default: [0.0] * 8

        fact :height_mm, Parameters::Number.new(0..1e12)
        # Where x_mm and y_mm lie on the sheet.
        fact :middle_px, Parameters::Numbers.new(2)
        # Corners on the sheet: top left, top right, bottom right, bottom left.
        fact :frame_px, Parameters::ListOf.new(Parameters::Numbers.new(2))
        # Its border on the sheet, from the top left corner on clockwise.
        fact :outline_px, Parameters::ListOf.new(Parameters::Numbers.new(2))
        # From its box, as it is turned, to the border of the island's: left, right, top, bottom.
        fact :edges_mm, Parameters::Numbers.new(4)
        # Lines of its island that it may be set by, right of the island's middle and above it.
        lines =
          Parameters::ListOf.new(
            Parameters::Record.new do
              number :at_mm, PLACE_MM
              text :name
            end
          )
        fact :upright_lines, lines
        fact :level_lines, lines
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
          flat = flat_corners(canvas)
          across, down = content_corners(flat, content, canvas.flat_map(island))
          TriangleFrame.call(
            canvas.island_map(island),
            across,
            down,
            covered_px: covered_px(canvas, flat, content),
            distortion: distortion(content).then { |own| own unless own.none? }
          )
        end

        def facts(job, content)
          height_mm = size_mm(content)[1]
          flat_map = job.flat_map(island)
          corners, outline = border_mm(content, flat_map)
          guide = IslandFrame.call([x_mm, y_mm], corners, outline, flat_map: flat_map, layout: job.layout)
          {
            height_mm: height_mm,
            middle_px: guide.middle_px,
            frame_px: guide.corners_px,
            outline_px: guide.outline_px,
            edges_mm: edges_mm(flat_map, outline),
            upright_lines: flat_map.guide_lines.upright.map(&:to_h),
            level_lines: flat_map.guide_lines.level.map(&:to_h),
            panel: panel(job),
            mm_per_px: guide.mm_per_px,
            **round(flat_map, height_mm),
            **stretch(job, flat_map, content)
          }
        end

        # @raise [UvError, MeshError] where the island can't be laid flat, or is no band where it must be one
        # @raise [InputError] where it can't be bent or pulled so
        def ready(job, content)
          job.flat_map(island).then { |flat_map| flat_map.rims if rim? }
          Distortion.new(content.aspect, bend_rad, corners)
        end

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content) = canvas.layout.placements[island, true].to_a

        # @param carry [Object] as Job::Carry has it
        # @return [OnIsland] the same spot of the surface, measured on the island that it lies on now
        def handed_on(carry) = with(**carry.spot(island, x_mm, y_mm, turn_rad))

        # @param job [Job]
        # @return [Float]
        def density_px_per_mm(job, _content) = job.measures[island].density_px_per_mm

        # @return [Boolean] whether straight lines of a content are straight on the flat map, and parallel ones parallel
        def even?(content) = !rim? && distortion(content).none?

        # @param places [Numo::DFloat] n x 2 of the content, shares of its width and height
        # @param flat_map [Flatten::FlatMap] of its island
        # @return [Numo::DFloat] n x 2: where they lie on that, mm from the island's middle, y up
        def flat_places(places, content, flat_map) =
          on_flat_map(distortion(content).to_surface(places.to_a), content, flat_map)

        # @return [String] in words
        def to_words(job, content)
          width, height = size_mm(content).map { |mm| format("%.2f", mm).sub(/\.?0+\z/, "") }
          name = job.island_names[island]
          on = around?(job) ? "#{panel(job)} of #{name}" : name
          "on #{on}, #{width} x #{height} mm"
        end

        private

        def rim? = along == "rim"
        def distortion(content) = Distortion.within(content.aspect, bend_rad, corners)

        # What laying the island flat has left, in the triangles that the content lies on.
        def stretch(job, flat_map, content)
          map = job.layout.uv_map
          rows = map.island_triangles[island]
          corners = flat_map.by_point.map { |values| values[map.triangles.points[rows, true]] }
          shares = distortion(content).to_content(*content_corners(corners, content, flat_map))
          under = Pieces.under(*shares).where
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

        def edges_mm(flat_map, outline)
          across, down = flat_map.size_mm.map { |side| side / 2 }
          (left, right), (bottom, top) = [0, 1].map { |axis| outline[true, axis].minmax }
          [across + left, across - right, down - top, down + bottom]
        end

        # @return [Array<Numo::DFloat>] its corners, and places round its border, on the flat map: n x 2, mm
        def border_mm(content, flat_map)
          own = distortion(content)
          [own.corners, own.outline(bent: rim?)].map { |places| on_flat_map(places, content, flat_map) }
        end

        # @param places [Numo::DFloat] n x 2 of the surface, shares of the undistorted rectangle
        # @return [Numo::DFloat] n x 2 mm
        def on_flat_map(places, content, flat_map)
          size = size_mm(content)
          # A clockwise turn to the eye is a negative one where y points up.
          turned =
            Geometry::Affine.turn(-turn_rad).apply(
              Geometry::Vectors.columns([(places[true, 0] - 0.5) * size[0], (places[true, 1] - 0.5) * -size[1]])
            )
          rim? ? flat_map.rims.at(turned, x_mm, y_mm) : turned + Numo::DFloat[[x_mm, y_mm]]
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
          [[cos, -sin], [sin, cos]].zip(size_mm(content), distortion(content).growth)
            .map do |(x, y), length_mm, growth|
              dx, dy = jacobians.on_plane([x, y, 0.0])
              length_mm * growth * Math.sqrt((((dx**2) + (dy**2)) * area).sum / [area.sum, Float::MIN].max)
            end
        end
      end
    end
  end
end
