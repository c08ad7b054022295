# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # What places have in common that know pieces of the surface's triangles: by parents, rows of Mesh#triangulation,
      # and shares of the parents' corners.
      module Pieces
        # @param uv_map [UvMap]; parents [Numo::Int64]
        # @return [Numo::Bit] whether each is on the sheet
        def self.mapped(uv_map, parents) = uv_map.face_mapped[uv_map.mesh.triangulation.faces[parents]]

        # @return [Array<Integer>] islands that they are of
        def self.islands(uv_map, parents)
          return [] if parents.empty?

          faces = uv_map.mesh.triangulation.faces[parents]
          faces = faces[uv_map.face_mapped[faces].where]
          faces.empty? ? [] : uv_map.face_islands[faces].to_a.uniq.sort
        end

        # @param canvas [Canvas]
        # @param laid [#parents, #shares]
        # @param rows [Numo::Int64] which of them; those on the sheet if not given
        # @return [Array(Numo::DFloat, Numo::Int64)] r x 3 x 2, px, and the rows
        def self.corners_px(canvas, laid, rows = nil)
          map = canvas.layout.uv_map
          rows ||= laid.parents.empty? ? laid.parents : mapped(map, laid.parents).where
          return Numo::DFloat.zeros(0, 3, 2), rows if rows.empty?

          points = map.corner_points[map.mesh.triangulation.corners[laid.parents[rows], true]]
          px = canvas.size.to_px(canvas.layout.points_uv)
          corners = Numo::DFloat.zeros(rows.size, 3, 2)
          2.times do |axis|
            own = px[true, axis][points]
            3.times { |k| corners[true, k, axis] = (laid.shares[rows, k, true] * own).sum(axis: 1) }
          end
          [corners, rows]
        end

        # The frame of a content by the corners of its triangles. Islands that lie far from each other on the sheet are
        # looked at one by one, and not what is between them.
        #
        # @param corners [Numo::DFloat] t x 3 x 2, px; parents [Numo::Int64] t; across, down [Numo::DFloat] t x 3 shares
        # @param options [Hash] as TriangleFrame takes them
        # @return [Frame, nil] nil if no texel of it is on the sheet
        def self.frame(canvas, corners, parents, across, down, **options)
          frames =
            together(canvas, corners, parents).filter_map do |rows|
              texel_map = canvas.texel_map_of(corners[rows, true, true])
              next if texel_map.texels.empty?

              TriangleFrame.call(texel_map, across[rows, true], down[rows, true], **options)
            end
          Frame.joined(frames)
        end

        # @return [Array<Array<Integer>>] rows of the triangles of islands whose boxes meet
        def self.together(canvas, corners, parents)
          map = canvas.layout.uv_map
          islands = map.face_islands[map.mesh.triangulation.faces[parents]].to_a
          groups = islands.each_index.group_by { |row| islands[row] }.values
          boxes = groups.map { |rows| [rows, canvas.box_of(corners[rows, true, true].reshape(3 * rows.size, 2))] }
          joined =
            boxes.each_with_object([]) do |(rows, box), found|
              while (other = found.find { |_, known| !known.grown(1).within(box).empty? })
                found.delete(other)
                rows += other.first
                box = box.with(other.last)
              end
              found << [rows, box]
            end
          joined.map { |rows, _box| rows.sort }
        end

        # By the lines that part two convex shapes which don't meet: the content's sides, and the triangle's.
        #
        # @param across [Numo::DFloat] t x 3 shares of the content at the corners; down [Numo::DFloat] t x 3
        # @return [Numo::Bit] t: whether the content lies on some of it
        def self.under(across, down)
          boxed = [across, down].map { |share| share.max(axis: 1).gt(0) & share.min(axis: 1).lt(1) }.reduce(:&)
          3
            .times
            .reduce(boxed) do |under, k|
              x, y, x1, y1, x2, y2 = [k, (k + 1) % 3, (k + 2) % 3].flat_map { |at| [across[true, at], down[true, at]] }
              right = y1 - y
              below = x - x1
              turn = ((right * (x2 - x)) + (below * (y2 - y))).sign
              # The corner of the content that is farthest on the triangle's side of this side.
              farthest = (right * turn).clip(0, nil) + (below * turn).clip(0, nil)
              under & farthest.gt(turn * ((right * x) + (below * y)))
            end
        end

        # Root mean square of the sheet's px along the content's sides.
        #
        # @param corners [Numo::DFloat] t x 3 x 2, px; across, down [Numo::DFloat] t x 3 shares of the content
        # @return [Array(Float, Float)]
        def self.covered_px(corners, across, down)
          ax, ay, bx, by =
            [1, 2].flat_map { |k| Array.new(2) { |axis| corners[true, k, axis] - corners[true, 0, axis] } }
          u1, u2, v1, v2 = [across, down].flat_map { |own| [1, 2].map { |k| own[true, k] - own[true, 0] } }
          det = (u1 * v2) - (u2 * v1)
          weight = ((ax * by) - (ay * bx)).abs
          det[det.eq(0)] = Float::INFINITY
          [[v2, -v1], [-u2, u1]].map do |first, second|
            x = ((ax * first) + (bx * second)) / det
            y = ((ay * first) + (by * second)) / det
            Math.sqrt((((x**2) + (y**2)) * weight).sum / [weight.sum, Float::MIN].max)
          end
        end
        private_class_method :together
      end
    end
  end
end
