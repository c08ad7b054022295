# frozen_string_literal: true

module SheetTrace
  class Job
    # What becomes of things said of a job's surface when it gets another map: which island takes over from which, and
    # where on it places lie.
    # An island takes over from the former one that most of its area comes from.
    class Carry
      # @return [UvMap] the other map
      attr_reader :uv_map
      # @return [Source] in step with it
      attr_reader :source
      # @return [Array<String>] what could not be carried, in words
      attr_reader :dropped

      # @param job [Job] as it is
      # @param uv_map [UvMap] that it gets
      # @param source [Source]
      # @param origins [Numo::Int64, nil] by face of the new map: the job's face that it is, or is a piece of; the
      #   same faces if nil; -1 where it is none of the job's
      # @param vertices [Hash{Integer => Integer}, nil] former vertex => the one that it is now, where they were
      #   numbered anew
      # @param edge_middles [Hash{Integer => Integer}] former edge => the new vertex in its middle, of edges that
      #   were parted
      def initialize(job, uv_map, source:, origins: nil, vertices: nil, edge_middles: {})
        @job = job
        @before = job.layout.uv_map
        @uv_map = uv_map
        @source = source
        origins ||= Numo::Int64.new(uv_map.mesh.face_count).seq
        # Of faces that are new nothing is carried, whatever stands in their row.
        @known = origins.ge(0)
        @origins = origins.clip(0, nil)
        @vertices = vertices
        @edge_middles = edge_middles
        @dropped = []
        @flat_maps = {}
      end

      # @return [Array<Integer, nil>] by new island: the former one it takes over from
      def heirs
        @heirs ||=
          begin
            best = shared.sort_by { |_pair, area| area }.to_h { |(island, former), _area| [island, former] }
            Array.new(uv_map.island_count) { |island| best[island] }
          end
      end

      # @param said [Hash{Integer => Object}] by former island
      # @param word [String] what it says of one, to tell what is lost
      # @return [Hash{Integer => Object}] by new island
      def by_island(values, word)
        lost = values.keys - heirs
        drop("#{word} of #{lost.map { |island| @job.island_names[island] }.join(", ")}") if lost.any?
        heirs.each_with_index.filter_map { |former, island| [island, values[former]] if values.key?(former) }.to_h
      end

      # @param former [Array<Integer>]
      # @return [Array<Integer>] islands that take over from them
      def islands(former) = heirs.each_index.select { |island| former.include?(heirs[island]) }

      # @param former [Array<Integer>]
      # @return [Array<Integer>] faces that they are now
      def faces(former)
        wanted = Numo::Bit.zeros(@before.mesh.face_count).tap { |bits| bits[former] = 1 unless former.empty? }
        (wanted[@origins] & @known).where.to_a
      end

      # @param former [Array<Integer>] parts of the job's mesh
      # @return [Array<Integer>] parts that are called so now
      def parts(former) = by_name(former, @before.mesh.parts, uv_map.mesh.parts)

      # @param former [Array<Integer>] materials of the job's mesh
      # @return [Array<Integer>] materials that are called so now
      def materials(former) = by_name(former, @before.mesh.material_names, uv_map.mesh.material_names)

      # @param what [String] that can't be kept
      def drop(what) = @dropped << what

      # A spot of the surface stays where it is: its place is measured on the flat map of the island that it lies on
      # now.
      #
      # @param former [Integer] island; x_mm, y_mm [Float]; turn_rad [Float]
      # @return [Hash] island:, x_mm:, y_mm:, turn_rad:
      def spot(former, x_mm, y_mm, turn_rad)
        island =
          island_under(former, x_mm, y_mm) ||
            shared.select { |(_island, from), _area| from == former }.max_by(&:last)&.first&.first
        unless island
          drop("the place of what lay on #{@job.island_names[former]}")
          island = 0
        end
        change = between(@job.flat_map(former), flat_map(island), common_faces(former, island))
        return { island: island } unless change

        x, y = change.at(x_mm, y_mm)
        { island: island, x_mm: x, y_mm: y, turn_rad: turn_rad - Math.atan2(change.d - change.b, change.a + change.e) }
      rescue UvError
        { island: island }
      end

      # @return [Boolean] whether faces and their corners are the very same
      def same_faces?
        before = @before.mesh
        now = uv_map.mesh
        before.equal?(now) || (before.corner_vertices == now.corner_vertices && before.face_starts == now.face_starts)
      end

      # @param former [SheetTrace::Layout] of the job's surface
      # @return [SheetTrace::Layout] of the new surface: what became of a face lies where it lay
      def layout(former) = CarriedLayout.call(former, uv_map.mesh, @origins)

      # A spot of the surface by itself, whatever the map.
      #
      # @param face [Integer] of the job's mesh; at [Array(Float, Float, Float)] model units
      # @return [Hash] face:, at:
      def surface_spot(face, at)
        own = faces([face])
        if own.empty?
          drop("the face that a decal was laid on")
          own = (0...uv_map.mesh.face_count).to_a
        end
        at = moved_along(face, own.first, at) if own.one?
        triangle, = uv_map.mesh.nearest_spot(own, at)
        { face: uv_map.mesh.triangulation.faces[triangle], at: at }
      end

      # @param mark [Fit::Landmark]
      # @return [Fit::Landmark, nil] on the triangle that its place of the surface lies on now; nil if that is not
      #   on the sheet
      def landmark(mark)
        vertices = @before.triangles.vertices[mark.triangle, true].to_a
        rows = rows_from[@before.triangles.faces[mark.triangle]]
        found = rows && (same_triangle(mark, vertices, rows) || nearest_triangle(mark, vertices, rows))
        drop("a landmark on #{@job.island_names[mark.island(@before)]}") unless found
        found
      end

      # @param bits [Numo::Bit] E of the job's mesh
      # @return [Numo::Bit] E of the new one: the same edges
      def seams(bits)
        carried = CarriedSeams.new(@before.mesh, uv_map.mesh, vertices: @vertices, edge_middles: @edge_middles)
        found, lost = carried.call(bits)
        drop("#{lost} drawn seams") if lost.positive?
        found
      end

      private

      def by_name(former, before, now)
        return former if before == now

        former.filter_map { |index| now.index(before[index]) }
      end

      # A spot of a face, where its corners are elsewhere now.
      def moved_along(former, face, at)
        rows = [[@before.mesh, former], [uv_map.mesh, face]].map { |mesh, own| mesh.face_triangles(own).to_a }
        return at if rows[0].size != rows[1].size

        triangle, shares = @before.mesh.nearest_spot([former], at)
        corners = uv_map.mesh.welded.corners(rows[1][rows[0].index(triangle)])
        Geometry::Triple.blend(corners, shares)
      end

      # Vertices are only added to, or stay.
      def vertices_kept? = @vertices.nil? && uv_map.mesh.vertex_count >= @before.mesh.vertex_count

      def flat_map(island) = @flat_maps[island] ||= Flatten::FlatMap.call(uv_map, island, unit_mm: @job.unit_mm)

      # Area that each pair of a new and a former island shares.
      def shared
        @shared ||=
          begin
            both = (@before.face_mapped[@origins] & uv_map.face_mapped & @known).where
            areas = Geometry::Vectors.lengths(uv_map.mesh.face_area_vectors)
            both
              .to_a
              .each_with_object(Hash.new(0.0)) do |face, sums|
                sums[[uv_map.face_islands[face], @before.face_islands[@origins[face]]]] += areas[face] + 1e-300
              end
          end
      end

      # The new island of the face that a place of a flat map lies on, or comes nearest to lying on.
      def island_under(former, x_mm, y_mm)
        rows = @before.island_triangles[former]
        face = @before.triangles.faces[rows[@job.flat_map(former).row_at(x_mm, y_mm)]]
        piece = (@origins.eq(face) & @known).where.to_a.first
        uv_map.face_islands[piece] if piece && uv_map.face_mapped[piece] == 1
      rescue UvError
        nil
      end

      # The affine map that fits places of the same corners of faces: where a seam passes, a vertex lies in several
      # places.
      def between(from, to, faces)
        former = places(from, @before, @origins[faces].to_a.uniq)
        now = places(to, uv_map, faces) { |face| @origins[face] }
        pairs = (former.keys & now.keys).map { |corner| [former[corner], now[corner]] }
        Geometry::Affine.fit(*pairs.transpose.map { |points| Numo::DFloat.cast(points) }) if pairs.size > 2
      rescue InputError
        nil
      end

      # @return [Numo::Int64] faces of the new island that come from the former one
      def common_faces(former, island)
        (
          @before.face_mapped[@origins] & uv_map.face_mapped & @known & @before.face_islands[@origins].eq(former) &
            uv_map.face_islands.eq(island)
        ).where
      end

      # @yieldparam face [Integer]
      # @yieldreturn [Integer] what the face is called in the keys; itself without a block
      # @return [Hash{Array(Integer, Integer) => Array(Float, Float)}] [face, vertex] => place, mm
      def places(flat_map, map, faces)
        chosen = Numo::Bit.zeros(map.mesh.face_count)
        chosen[faces] = 1 unless faces.empty?
        corners = chosen[map.mesh.corner_faces].where
        return {} if corners.empty?

        points = map.corner_points[corners]
        owners = map.mesh.corner_faces[corners].to_a.map { |face| block_given? ? yield(face) : face }
        owners
          .zip(map.mesh.corner_vertices[corners].to_a)
          .zip(flat_map.by_point.map { |values| values[points].to_a }.transpose)
          .to_h
      end

      # @return [Hash{Integer => Array<Integer>}] rows of the new map's triangles by the former face
      def rows_from
        @rows_from ||=
          @origins[uv_map.triangles.faces]
            .to_a
            .each_with_index
            .group_by(&:first)
            .transform_values { |pairs| pairs.map(&:last) }
      end

      def same_triangle(mark, vertices, rows)
        return unless vertices_kept?

        rows.each do |row|
          own = uv_map.triangles.vertices[row, true].to_a
          if own.sort == vertices.sort
            return mark.with(triangle: row, shares: own.map { |vertex| mark.shares[vertices.index(vertex)] })
          end
        end
        nil
      end

      # The triangle of the same face that the place lies in, or comes nearest to lying in.
      def nearest_triangle(mark, vertices, rows)
        at =
          vertices
            .zip(mark.shares)
            .map { |vertex, share| (@before.mesh.positions[vertex, true] * share).to_a }
            .transpose
            .map(&:sum)
        found =
          rows
            .to_h do |row|
              [row, barycentric(at, uv_map.mesh.positions[uv_map.triangles.vertices[row, true], true].to_a)]
            end
            .compact
        row, shares = found.max_by { |_row, own| own.min }
        row && mark.with(triangle: row, shares: shares)
      end

      # @return [Array(Float, Float, Float), nil] shares of the place of a triangle's plane under a place; nil
      #   without area
      # Source: Ericson, "Real-Time Collision Detection", 2004, 3.4.
      def barycentric(at, (a, b, c))
        v0, v1, v2 = [b, c, at].map { |corner| corner.zip(a).map { |x, y| x - y } }
        dot = ->(first, other) { first.zip(other).sum { |x, y| x * y } }
        d00, d01, d11, d20, d21 =
          [[v0, v0], [v0, v1], [v1, v1], [v2, v0], [v2, v1]].map { |first, other| dot.call(first, other) }
        area = (d00 * d11) - (d01 * d01)
        return unless area.positive?

        second = ((d11 * d20) - (d01 * d21)) / area
        third = ((d00 * d21) - (d01 * d20)) / area
        [1 - second - third, second, third]
      end
    end
  end
end
