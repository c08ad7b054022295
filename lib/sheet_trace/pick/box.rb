# frozen_string_literal: true

module SheetTrace
  module Pick
    # What lies wholly inside a box drawn on the sheet, or on the model as it is seen; there only what is not hidden,
    # unless it
    # is seen through.
    module Box
      RASTER = 1024
      LEVELS = 1 << 24 # of depth, from near to far
      private_constant :RASTER, :LEVELS

      extend Way

      numbers :corners,
              4,
              Parameters::Numbers::WIDE,
              "left, top, right, bottom: px of the sheet; with a view, shares of it, -1 to 1 with y up"
      numbers :view,
              16,
              Parameters::Numbers::WIDE,
              "4 x 4 matrix from model units to clip space, column by column; nil on the sheet",
              optional: true
      flag :see_through, default: false

      def self.call(job, kind, corners:, view:, see_through:)
        view ? seen(job.mesh, kind, corners, view, see_through) : on_sheet(job, kind, corners)
      end

      def self.on_sheet(job, kind, corners)
        map = job.layout.uv_map
        inside = within(job.layout.points_px, corners)
        case kind
        when "corners"
          map.point_vertices[inside.where].to_a.uniq.sort
        when "edges"
          map.edges.mesh_edges[(inside[map.edges.points[true, 0]] & inside[map.edges.points[true, 1]]).where]
            .to_a
            .uniq
            .sort
        else
          mapped = map.face_mapped[job.mesh.corner_faces]
          out = (~inside[map.corner_points] | ~mapped).where
          ((0...job.mesh.face_count).to_a - job.mesh.corner_faces[out].to_a.uniq)
        end
      end

      def self.within(places, corners)
        left, right = corners.values_at(0, 2).minmax
        low, high = corners.values_at(1, 3).minmax
        (places[true, 0] >= left) & (places[true, 0] <= right) & (places[true, 1] >= low) & (places[true, 1] <= high)
      end

      def self.seen(mesh, kind, corners, view, see_through)
        places, before = projected(mesh.positions, view)
        inside = within(places, corners) & before
        found = Touching.all(mesh, kind, inside)
        return found if see_through || found.empty?

        shown = visible_faces(mesh, places, before, corners)
        case kind
        when "faces"
          found & shown
        when "edges"
          found & Carry.edges_of(mesh, shown)
        else
          found & Touching.vertices(mesh, "faces", shown).where.to_a
        end
      end

      # @return [Array(Numo::DFloat, Numo::Bit)] V x 3 places, -1 to 1, and which lie in front of the eye
      def self.projected(positions, view)
        rows =
          Array.new(4) do |row|
            (positions[true, 0] * view[row]) + (positions[true, 1] * view[4 + row]) +
              (positions[true, 2] * view[8 + row]) + view[12 + row]
          end
        before = rows[3] > 1e-9
        rows[3][(~before).where] = 1.0 unless before.all?
        [Geometry::Vectors.columns(rows.first(3).map { |row| row / rows[3] }), before]
      end

      # Faces that are foremost at some place of the box, by a raster of depths.
      def self.visible_faces(mesh, places, before, corners)
        cut = mesh.triangulation
        vertices = mesh.corner_vertices[cut.corners]
        whole = (before[vertices[true, 0]] & before[vertices[true, 1]] & before[vertices[true, 2]]).where
        return [] if whole.empty?

        triangles = raster_corners(places, vertices[whole, true], corners)
        texels, rows = Raster::Rasterise.call(triangles[true, true, 0..1].copy, RASTER, RASTER)
        return [] if texels.empty?

        depth = depths(triangles, texels, rows)
        front = (texels * LEVELS) + Numo::Int64.cast(depth.clip(0, 1) * (LEVELS - 1))
        order = front.sort_index
        first = Numo::Bit.ones(order.size)
        first[1..] = texels[order][1..].ne(texels[order][0...-1]) if order.size > 1
        cut.faces[whole[rows[order[first.where]]]].to_a.uniq.sort
      end

      def self.raster_corners(places, vertices, corners)
        left, right = corners.values_at(0, 2).minmax
        low, high = corners.values_at(1, 3).minmax
        Numo::DFloat
          .zeros(*vertices.shape, 3)
          .tap do |out|
            out[true, true, 0] = (places[true, 0][vertices] - left) / [right - left, 1e-9].max * RASTER
            out[true, true, 1] = (places[true, 1][vertices] - low) / [high - low, 1e-9].max * RASTER
            out[true, true, 2] = (places[true, 2][vertices] + 1) / 2
          end
      end

      # In clip space, depth is linear over a triangle.
      def self.depths(triangles, texels, rows)
        x, y, z = Array.new(3) { |axis| triangles[true, 0, axis].copy }
        across, down =
          slopes(*[1, 2].map { |k| Array.new(3) { |axis| triangles[true, k, axis] - triangles[true, 0, axis] } })
        z[rows] + (across[rows] * ((texels % RASTER) + 0.5 - x[rows])) +
          (down[rows] * ((texels / RASTER) + 0.5 - y[rows]))
      end

      # By how much depth changes to the right and down, from two sides of each triangle.
      def self.slopes(a, b)
        det = (a[0] * b[1]) - (b[0] * a[1])
        det[det.eq(0)] = Float::INFINITY
        [((a[2] * b[1]) - (b[2] * a[1])) / det, ((b[2] * a[0]) - (a[2] * b[0])) / det]
      end
      private_class_method :on_sheet, :within, :seen, :projected, :visible_faces, :raster_corners, :depths, :slopes
    end
  end
end
