# frozen_string_literal: true

module SheetTrace
  # A model's surface: vertices, polygons kept as polygons, parts and materials. Immutable.
  #
  # V vertices, F faces, C corners (a corner is one vertex of one face; the corners of a face stand
  # together, anticlockwise seen from outside).
  class Mesh
    # @return [Numo::DFloat] V x 3, model units, y up
    attr_reader :positions
    # @return [Numo::Int32] F + 1: corners face_starts[i]...face_starts[i + 1] are those of face i
    attr_reader :face_starts
    # @return [Numo::Int32] C vertex indices
    attr_reader :corner_vertices
    # @return [Numo::Int32] F indices into parts, and into materials
    attr_reader :face_parts, :face_materials
    # @return [Array<String>] names; a part may have no faces
    attr_reader :parts
    # @return [Array<Material>]
    attr_reader :materials
    # @return [Numo::DFloat, nil] C x 3 unit vectors for shading; nil where shading follows the faces
    attr_reader :corner_normals
    # @return [Numo::DFloat, nil] C x 4 red, green, blue (sRGB) and alpha, 0 to 1; nil where the file has none
    attr_reader :corner_colors

    def initialize(
      positions:,
      face_starts:,
      corner_vertices:,
      face_parts:,
      parts:,
      face_materials:,
      materials:,
      corner_normals: nil,
      corner_colors: nil
    )
      @positions = positions.freeze
      @face_starts = face_starts.freeze
      @corner_vertices = corner_vertices.freeze
      @face_parts = face_parts.freeze
      @face_materials = face_materials.freeze
      @parts = parts.freeze
      @materials = materials.freeze
      @corner_normals = corner_normals&.freeze
      @corner_colors = corner_colors&.freeze
      @memo = {}
      freeze
    end

    # Numbers for vertices, equal where they lie in the same place.
    #
    # @param share [Float] of the model's size within which places are the same; 0 for equal to the bit
    # @return [Numo::Int64] V
    def self.place_ranks(mesh, share)
      low, high = mesh.bounds
      step = low.zip(high).map { |a, b| b - a }.max * share
      columns =
        Array.new(3) do |axis|
          step.positive? ? (mesh.positions[true, axis] / step).round : mesh.positions[true, axis].copy
        end
      columns
        .map { |column| Geometry::Grouped.ranks(column) }
        .reduce { |(so_far, _), ranked| Geometry::Grouped.pair_ranks(so_far, *ranked) }
        .first
    end

    # @return [Mesh] with some members changed
    def with(**changes)
      Mesh.new(
        positions: positions,
        face_starts: face_starts,
        corner_vertices: corner_vertices,
        face_parts: face_parts,
        parts: parts,
        face_materials: face_materials,
        materials: materials,
        corner_normals: corner_normals,
        corner_colors: corner_colors,
        **changes
      )
    end

    # @return [Array<String>]
    def material_names = materials.map(&:name)

    def vertex_count = positions.shape[0]
    # @return [Array<Integer>] faces of each part, and of each material
    def part_sizes = face_parts.bincount(minlength: parts.size).to_a
    def material_sizes = face_materials.bincount(minlength: materials.size).to_a

    def face_count = face_starts.size - 1
    def corner_count = corner_vertices.size

    # @return [Numo::Int32] F corner counts
    def face_sizes = @memo[:face_sizes] ||= (face_starts[1..] - face_starts[0...-1]).freeze

    # @return [Numo::Int64] C face indices
    def corner_faces = @memo[:corner_faces] ||= Geometry::Grouped.repeat(Numo::Int64.cast(face_sizes)).freeze

    # @return [Numo::Int32] C corner indices: the corner that follows, round the face
    def next_corners
      @memo[:next_corners] ||= Numo::Int32
        .new(corner_count)
        .seq(1)
        .tap { |following| following[face_starts[1..] - 1] = face_starts[0...-1] }
        .freeze
    end

    # @return [Array<Array<Integer>>] groups of parts that are alike
    def identical_parts = @memo[:identical_parts] ||= IdenticalParts.call(self).freeze

    # @return [Mesh::Edges]
    def edges = @memo[:edges] ||= FindEdges.call(self)

    # @return [Array<Array<Integer>>] E: the faces at each edge
    def edge_faces
      @memo[:edge_faces] ||= corner_faces
        .to_a
        .then do |faces|
          Geometry::Grouped.lists(edges.corner_edges, edges.count).map { |corners| faces.values_at(*corners) }
        end
        .freeze
    end

    # @return [Array<Array<Integer>>] V: the edges at each vertex
    def vertex_edges
      @memo[:vertex_edges] ||= Geometry::Grouped
        .lists(edges.vertices.flatten, vertex_count)
        .map { |ends| ends.map { |row| row / 2 } }
        .freeze
    end

    # @return [Numo::DFloat] E model units
    def edge_lengths
      @memo[:edge_lengths] ||= [0, 1].map { |k| positions[edges.vertices[true, k], true] }
        .then { |a, b| Geometry::Vectors.lengths(a - b) }
        .freeze
    end

    # @return [Mesh::Symmetry, nil] the plane about which the mesh is its own mirror image, if there is one
    def symmetry
      @memo.fetch(:symmetry) { @memo[:symmetry] = FindSymmetry.call(self) }
    end

    # @return [Array<Array<Integer>>] F: the faces across each edge that just two faces share
    def face_neighbours
      @memo[:face_neighbours] ||= begin
        first, second = edges.paired_corners
        pairs = first.empty? ? [] : corner_faces[first].to_a.zip(corner_faces[second].to_a)
        pairs
          .each_with_object(Array.new(face_count) { [] }) do |(a, b), all|
            all[a] << b
            all[b] << a
          end
          .freeze
      end
    end

    # @return [Mesh::Triangulation] the faces cut into triangles
    def triangulation = @memo[:triangulation] ||= Triangulate.call(self)

    # @return [Mesh::Welded] its triangles, joined by where their corners lie
    def welded = @memo[:welded] ||= Welded.call(self)

    # @param face [Integer]
    # @return [Range] its triangles of .triangulation
    def face_triangles(face)
      starts = @memo[:triangle_starts] ||= [0, *triangulation.faces.bincount(minlength: face_count).cumsum.to_a]
      starts[face]...starts[face + 1]
    end

    # @param at [Array(Float, Float, Float)] model units
    # @return [Array<Integer>] faces of which one is the nearest
    def faces_near(at)
      corners = positions[corner_vertices, true]
      beyond =
        at.each_with_index.map do |value, axis|
          low, high = Geometry::Grouped.extremes(corner_faces, corners[true, axis], face_count)
          Numo::DFloat.maximum(Numo::DFloat.maximum(low - value, value - high), 0)
        end
      least = beyond.sum { |far| far**2 }
      least.le(((corners - Numo::DFloat[at])**2).sum(axis: 1).min).where.to_a
    end

    # @param faces [Array<Integer>]; at [Array(Float, Float, Float)] model units
    # @return [Array(Integer, Array(Float, Float, Float))] the triangle of .triangulation on these faces that comes
    #   nearest, and the shares of its corners there
    def nearest_spot(faces, at)
      faces
        .flat_map { |face| face_triangles(face).to_a }
        .map { |triangle| [triangle, Geometry::NearestOnTriangle.call(welded.corners(triangle), at)] }
        .min_by do |triangle, shares|
          Geometry::Triple.distance(Geometry::Triple.blend(welded.corners(triangle), shares), at)
        end
    end

    # Area vectors: along the outward normal, as long as the face's area (model units squared).
    #
    # @return [Numo::DFloat] F x 3
    # Source: Newell's method, in Sutherland, Sproull, Schumacker, "A Characterization of Ten
    #   Hidden-Surface Algorithms", ACM Computing Surveys 6, 1974.
    def face_area_vectors
      @memo[:face_area_vectors] ||= begin
        origin = positions[corner_vertices[face_starts[0...-1]], true]
        relative = positions[corner_vertices, true] - origin[corner_faces, true]
        products = Geometry::Vectors.cross(relative, relative[next_corners, true])
        (Geometry::Grouped.sum_rows(corner_faces, products, face_count) * 0.5)
      end
    end

    # @return [Array(Array<Float>, Array<Float>)] least and greatest x, y, z in model units
    def bounds
      @memo[:bounds] ||= Array.new(3) { |axis| positions[true, axis][corner_vertices].minmax }.transpose.freeze
    end
  end
end
