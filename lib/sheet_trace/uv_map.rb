# frozen_string_literal: true

module SheetTrace
  # The sheet map of a mesh as the file or a flattening gave it, before any island was moved: points on
  # the sheet, and the islands they form. Immutable.
  #
  # P points; a point belongs to one vertex and one island, so that an island can move without
  # dragging another along.
  class UvMap
    # @return [Mesh]
    attr_reader :mesh
    # @return [Numo::DFloat] P x 2, UV, origin bottom left, v up
    attr_reader :points
    # @return [Numo::Int32] P vertex indices
    attr_reader :point_vertices
    # @return [Numo::Int32] P island indices
    attr_reader :point_islands
    # @return [Numo::Int32] C point indices; not to be read at corners of a face that is not mapped
    attr_reader :corner_points
    # @return [Numo::Bit] F: 1 where the face lies on the sheet
    attr_reader :face_mapped
    # @return [Numo::Int32] F island indices; not to be read at a face that is not mapped
    attr_reader :face_islands
    # @return [Integer]
    attr_reader :island_count

    def initialize(
      mesh:,
      points:,
      point_vertices:,
      point_islands:,
      corner_points:,
      face_mapped:,
      face_islands:,
      island_count:
    )
      @mesh = mesh
      @points = points.freeze
      @point_vertices = point_vertices.freeze
      @point_islands = point_islands.freeze
      @corner_points = corner_points.freeze
      @face_mapped = face_mapped.freeze
      @face_islands = face_islands.freeze
      @island_count = island_count
      @memo = {}
      freeze
    end

    # @param mesh [Mesh] with the same faces and corners
    # @return [UvMap] the same map of it
    def with_mesh(mesh)
      UvMap.new(
        mesh: mesh,
        points: points,
        point_vertices: point_vertices,
        point_islands: point_islands,
        corner_points: corner_points,
        face_mapped: face_mapped,
        face_islands: face_islands,
        island_count: island_count
      )
    end

    # @param points [Numo::DFloat] P x 2
    # @return [UvMap] the same islands of other shapes
    def with_points(points)
      UvMap.new(
        mesh: mesh,
        points: points,
        point_vertices: point_vertices,
        point_islands: point_islands,
        corner_points: corner_points,
        face_mapped: face_mapped,
        face_islands: face_islands,
        island_count: island_count
      )
    end

    def point_count = points.shape[0]

    # The triangles of the faces that lie on the sheet.
    #
    # @return [Triangles] K triangles
    def triangles
      @memo[:triangles] ||= begin
        cut = mesh.triangulation
        kept = face_mapped[cut.faces].where
        faces = cut.faces[kept]
        corners = cut.corners[kept, true]
        Triangles.new(
          faces: faces,
          points: corner_points[corners],
          vertices: mesh.corner_vertices[corners],
          islands: face_islands[faces]
        )
      end
    end

    # @return [Edges] each edge of the map once
    def edges = @memo[:edges] ||= FindEdges.call(self)

    # How each triangle lies on a plane.
    #
    # @param places [Numo::DFloat] P x 2: a place for each point
    # @param unit_mm [Float]
    # @return [Jacobians] K
    def jacobians(places, unit_mm = 1.0)
      Jacobians.call(triangle_positions(unit_mm, true), triangle_places(places, true))
    end

    # @return [Numo::Int32] E: for each outline of .edges, the island across it on the model; -1 elsewhere
    def edge_neighbours = @memo[:edge_neighbours] ||= FindNeighbours.call(self)

    # @return [Array<Numo::Int64>] face indices of each island
    def island_faces
      @memo[:island_faces] ||= rows_by_island(face_mapped.where, face_islands)
    end

    # @return [Array<Numo::Int64>] point indices of each island
    def island_points
      @memo[:island_points] ||= rows_by_island(Numo::Int64.new(point_count).seq, point_islands)
    end

    # @return [Array<Numo::Int64>] rows of .triangles of each island
    def island_triangles
      @memo[:island_triangles] ||= rows_by_island(Numo::Int64.new(triangles.faces.size).seq, triangles.islands)
    end

    # @param islands [Array<Integer>]
    # @return [Numo::Int64] point indices of all of them, island by island
    def points_of(islands) = Geometry::Grouped.joined(islands.map { |island| island_points[island] })

    # @param islands [Array<Integer>]
    # @return [Numo::Int64] rows of .triangles of all of them
    def triangles_of(islands) = Geometry::Grouped.joined(islands.map { |island| island_triangles[island] })

    # @param unit_mm [Float] length of a model unit
    # @param rows [Numo::Int64, true] which triangles, true for all
    # @return [Array<Array<Numo::DFloat>>] the three corners of each triangle on the model, [x, y, z] each, mm
    def triangle_positions(unit_mm, rows)
      columns = @memo[:columns] ||= Array.new(3) { |axis| mesh.positions[true, axis].copy.freeze }
      Array.new(3) { |k| columns.map { |column| column[triangles.vertices[rows, k]] * unit_mm } }
    end

    # @param places [Numo::DFloat] P x 2: a place for each point, any unit
    # @return [Array<Array<Numo::DFloat>>] where the three corners of each triangle lie, [x, y] each
    def triangle_places(places, rows)
      columns = [places[true, 0].copy, places[true, 1].copy]
      Array.new(3) { |k| columns.map { |column| column[triangles.points[rows, k]] } }
    end

    # @param places [Numo::DFloat] P x 2; rows [Numo::Int64] of .triangles
    # @return [Numo::DFloat] twice the area of each of them at these places, below 0 where it is turned over
    def signed_areas(places, rows)
      a, b, c = triangle_places(places, rows)
      ((b[0] - a[0]) * (c[1] - a[1])) - ((b[1] - a[1]) * (c[0] - a[0]))
    end

    # @return [Numo::DFloat] I: area of each island on the model, square model units
    def island_areas
      @memo[:island_areas] ||= begin
        rows = face_mapped.where
        Geometry::Grouped.sum(
          face_islands[rows],
          Geometry::Vectors.lengths(mesh.face_area_vectors[rows, true]),
          island_count
        ).freeze
      end
    end

    # The mean of the unit normals of each island's faces, weighted by area: shorter than 1 where the
    # surface bends, 0 where it goes all round.
    #
    # @return [Numo::DFloat] I x 3
    def mean_normals
      @memo[:mean_normals] ||= begin
        rows = face_mapped.where
        vectors = mesh.face_area_vectors[rows, true]
        islands = face_islands[rows]
        areas = island_areas.copy
        areas[areas.eq(0)] = 1.0
        (Geometry::Grouped.sum_rows(islands, vectors, island_count) / areas.expand_dims(1)).freeze
      end
    end

    # @return [Numo::DFloat] I x 3: the middle of each island's box on the model, model units
    def island_middles
      @memo[:island_middles] ||= begin
        positions = mesh.positions[point_vertices, true]
        middles = Numo::DFloat.zeros(island_count, 3)
        3.times do |axis|
          low, high = Geometry::Grouped.extremes(point_islands, positions[true, axis].copy, island_count)
          middles[true, axis] = (low + high) / 2
        end
        middles.freeze
      end
    end

    # @return [Array<String>] I names, no two alike
    def island_names = @memo[:island_names] ||= NameIslands.call(self).freeze

    # @param key [Array] what is worked out of this map and its surface alone
    # @return [Object] what the block gave when it was asked first
    def remembered(key) = @memo.fetch(key) { @memo[key] = yield }

    # K triangles on the sheet: faces K, islands K, points K x 3, vertices K x 3; all Numo::Int32.
    Triangles =
      Struct.new(:faces, :points, :vertices, :islands, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end

        def count = faces.size
      end

    # E edges of the map: points Numo::Int32 E x 2, islands Numo::Int32 E, outline Numo::Bit E (1 where
    # only one face of the island has the edge), mesh_edges Numo::Int64 E, the edges of the mesh that they are;
    # corner_edges Numo::Int64, for each corner of the mesh the edge to the next one, -1 where its face has no UVs.
    Edges =
      Struct.new(:points, :islands, :outline, :mesh_edges, :corner_edges, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end
      end

    private

    def rows_by_island(rows, islands)
      numbers = islands[rows]
      counts = island_count.zero? ? [] : numbers.bincount(minlength: island_count).to_a
      # Island and row in one key, so that rows stay in order within an island.
      sorted = rows[((Numo::Int64.cast(numbers) * (mesh.corner_count + 1)) + rows).sort_index]
      start = 0
      counts.map { |count| sorted[start...(start += count)].copy.freeze }.freeze
    end
  end
end
