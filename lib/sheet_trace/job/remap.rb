# frozen_string_literal: true

module SheetTrace
  class Job
    # Gives a job another sheet map of the same faces, and carries along what was said of its islands: names, tags
    # and labels. An island takes over from the former one that most of its area comes from.
    class Remap
      # @param job [Job]
      # @param uv_map [UvMap]
      # @param source [Source]
      # @param origins [Numo::Int64, nil] by face of the new map: the job's face that it is, or is a piece of; the same faces if nil
      # @return [Job]
      def self.call(job, uv_map, source: job.source, origins: nil) = new(job, uv_map, origins).send(:remapped, source)

      # The same, from UVs by corner; faces of different groups stay islands apart.
      #
      # @param corner_uvs [Numo::DFloat] C x 2
      # @param face_mapped [Numo::Bit] F
      # @param groups [Numo::Int32] F
      # @param mesh [Mesh]
      # @return [Job]
      def self.by_corner(job, corner_uvs:, face_mapped:, groups:, mesh: job.mesh, source: job.source, origins: nil)
        call(job, UvMap::Build.call(mesh, corner_uvs, Numo::Int32.new(mesh.corner_count).seq, face_mapped, groups: groups), source: source, origins: origins)
      end

      # The same islands in other shapes; twins that lie on one go along.
      #
      # @param points_uv [Numo::DFloat] P x 2 on the sheet
      # @return [Job]
      def self.reshaped(job, points_uv) = with_points(job, Layout::Stacks.follow(job.layout, points_uv))

      # The same islands with points at other places.
      #
      # @param points_uv [Numo::DFloat] P x 2 on the sheet
      # @return [Job]
      def self.with_points(job, points_uv)
        map = job.layout.uv_map
        by_corner(job, corner_uvs: points_uv[map.corner_points, true], face_mapped: map.face_mapped, groups: groups(job))
      end

      # @return [Numo::Int32] F groups that keep a job's islands apart; faces not on the sheet have a group of their own
      def self.groups(job)
        map = job.layout.uv_map
        map.face_islands.copy.tap { |groups| groups[(~map.face_mapped).where] = map.island_count if map.face_mapped.eq(0).any? }
      end

      def initialize(job, uv_map, origins)
        @job = job
        @before = job.layout.uv_map
        @after = uv_map
        @origins = origins || Numo::Int64.new(uv_map.mesh.face_count).seq
      end
      private_class_method :new

      private

      def remapped(source)
        names = carried(@job.given_names)
        job = Job.new(source: source, unit_mm: @job.unit_mm, layout: Layout.new(uv_map: @after, sheet: @job.sheet), edition: @job.edition,
                      given_names: names.uniq(&:last).to_h, given_tags: carried(@job.given_tags).to_h, gutter_px: @job.gutter_px,
                      drawn_seams: drawn_seams, kept_maps: @job.kept_maps, plan: @job.plan.handed_on(heirs), backdrop: backdrop)
        job.with(edition: @job.edition.with(layers: @job.edition.layers.map { |layer| layer.place ? moved(layer, job) : layer }))
      end

      # Edges are numbered by the mesh; where it was changed, what was drawn on it is gone.
      def drawn_seams
        same = @before.mesh.corner_vertices.equal?(@after.mesh.corner_vertices) || @before.mesh.corner_vertices == @after.mesh.corner_vertices
        @job.drawn_seams if same
      end

      # Landmarks are set on triangles of the map; where those are others, they are gone.
      def backdrop
        same = @before.mesh.triangulation.equal?(@after.mesh.triangulation) && @before.face_mapped == @after.face_mapped
        same ? @job.backdrop : @job.backdrop.with(landmarks: [])
      end

      def carried(said) = heirs.each_with_index.filter_map { |former, island| [island, said[former]] if said.key?(former) }

      # Area that each pair of a new and a former island shares.
      def shared
        @shared ||= begin
          both = (@before.face_mapped[@origins] & @after.face_mapped).where
          areas = Geometry::Vectors.lengths(@after.mesh.face_area_vectors)
          both.to_a.each_with_object(Hash.new(0.0)) { |face, sums| sums[[@after.face_islands[face], @before.face_islands[@origins[face]]]] += areas[face] + 1e-300 }
        end
      end

      # @return [Array<Integer, nil>] by new island: the former one it takes over from
      def heirs
        best = shared.sort_by { |_pair, area| area }.to_h { |(island, former), _area| [island, former] }
        Array.new(@after.island_count) { |island| best[island] }
      end

      # A label stays where it is on the surface: its place is measured on the new island's flat map.
      def moved(layer, job)
        former = layer.place.island
        island = island_under(layer.place) || shared.select { |(_island, from), _area| from == former }.max_by(&:last)&.first&.first || 0
        change = between(@job.flat_map(former), job.flat_map(island), common_faces(former, island))
        return layer.with(place: layer.place.with(island: island)) unless change

        x, y = change.at(layer.place.x_mm, layer.place.y_mm)
        layer.with(place: layer.place.with(island: island, x_mm: x, y_mm: y, turn_rad: layer.place.turn_rad - Math.atan2(change.d - change.b, change.a + change.e)))
      rescue UvError
        layer.with(place: layer.place.with(island: island))
      end

      # The new island of the face that the label's middle lies on, or comes nearest to lying on.
      def island_under(place)
        rows = @before.island_triangles[place.island]
        x, y = @job.flat_map(place.island).by_point.map { |values| values[@before.triangles.points[rows, true]] }
        face = @before.triangles.faces[rows[least_shares(x - place.x_mm, y - place.y_mm).max_index]]
        piece = @origins.eq(face).where[0]
        @after.face_islands[piece] if @after.face_mapped[piece] == 1
      rescue UvError
        nil
      end

      # The least barycentric share that the origin has of triangles: 0 and more where it lies inside.
      #
      # @param x [Numo::DFloat] t x 3; y [Numo::DFloat] t x 3
      # @return [Numo::DFloat] t
      def least_shares(x, y)
        opposite = [[1, 2], [2, 0], [0, 1]].map { |a, b| (x[true, a] * y[true, b]) - (x[true, b] * y[true, a]) }
        total = opposite.sum
        total[total.eq(0)] = Float::NAN
        least = opposite.map { |area| area / total }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
        least[least.isnan] = -Float::INFINITY
        least
      end

      # The affine map that fits places of the same corners of faces: where a seam passes, a vertex lies in several places.
      def between(from, to, faces)
        former = places(from, @before, @origins[faces].to_a.uniq)
        now = places(to, @after, faces) { |face| @origins[face] }
        pairs = (former.keys & now.keys).map { |corner| [former[corner], now[corner]] }
        Geometry::Affine.fit(*pairs.transpose.map { |points| Numo::DFloat.cast(points) }) if pairs.size > 2
      rescue InputError
        nil
      end

      # @return [Numo::Int64] faces of the new island that come from the former one
      def common_faces(former, island)
        (@before.face_mapped[@origins] & @after.face_mapped & @before.face_islands[@origins].eq(former) & @after.face_islands.eq(island)).where
      end

      # @return [Hash{Array(Integer, Integer) => Array(Float, Float)}] [face, vertex] => place, mm; faces are told as the block has them
      def places(flat_map, map, faces)
        chosen = Numo::Bit.zeros(map.mesh.face_count)
        chosen[faces] = 1 unless faces.empty?
        corners = chosen[map.mesh.corner_faces].where
        return {} if corners.empty?

        points = map.corner_points[corners]
        told = map.mesh.corner_faces[corners].to_a.map { |face| block_given? ? yield(face) : face }
        told.zip(map.mesh.corner_vertices[corners].to_a).zip(flat_map.by_point.map { |values| values[points].to_a }.transpose).to_h
      end
    end
  end
end
