# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The big arrays of a job as little-endian binary, by name.
    module Arrays
      # name => what it is: Float32 or Int32 values in rows
      # positions: K x 9, corners of the triangles on the sheet, model units
      # bare_positions: N x 9, corners of the triangles that have no UVs; bare_faces: N; bare_vertices: N x 3
      # triangle_points: K x 3; triangle_islands: K; point_islands: P
      # normals: K x 9, shading of the corners of the triangles; empty where it follows the faces
      # triangle_faces, triangle_parts: K
      # edges: E x 2 points; edge_outlines: E, 1 where only one face has the edge
      # edge_neighbours: E, the island on the other side of an outline on the model, -1 where there is none
      # edge_mesh_edges: E, the edge of the mesh that each edge of the map is; point_vertices: P, the vertex of each
      # point
      # mesh_edges: M x 2 vertices of the edges of the mesh; vertices: V x 3, model units
      # triangle_pieces: K, the piece that each triangle is of once the seams are cut
      # seams: edges of the mesh that are cut, as drawn or as the map has them
      # points: P x 2, px from the sheet's top left corner
      TABLE = {
        "positions" =>
          lambda do |job|
            triangles = job.layout.uv_map.triangles
            Numo::SFloat.cast(job.mesh.positions[triangles.vertices.flatten, true])
          end,
        "normals" =>
          lambda do |job|
            normals = job.mesh.corner_normals or return Numo::SFloat.zeros(0)
            cut = job.mesh.triangulation
            Numo::SFloat.cast(normals[cut.corners[job.layout.uv_map.face_mapped[cut.faces].where, true].flatten, true])
          end,
        "triangle_faces" => ->(job) { job.layout.uv_map.triangles.faces },
        "triangle_parts" => ->(job) { job.mesh.face_parts[job.layout.uv_map.triangles.faces] },
        "edge_neighbours" => ->(job) { job.layout.uv_map.edge_neighbours },
        "bare_positions" => ->(job) { bare(job) },
        "bare_vertices" => ->(job) { Numo::Int32.cast(bare_vertices(job)) },
        "bare_faces" => ->(job) { job.mesh.triangulation.faces[bare_rows(job)] },
        "triangle_points" => ->(job) { job.layout.uv_map.triangles.points },
        "triangle_islands" => ->(job) { job.layout.uv_map.triangles.islands },
        "point_islands" => ->(job) { job.layout.uv_map.point_islands },
        "edges" => ->(job) { job.layout.uv_map.edges.points },
        "edge_outlines" => ->(job) { Numo::Int32.cast(job.layout.uv_map.edges.outline) },
        "edge_mesh_edges" => ->(job) { Numo::Int32.cast(job.layout.uv_map.edges.mesh_edges) },
        "point_vertices" => ->(job) { job.layout.uv_map.point_vertices },
        "mesh_edges" => ->(job) { Numo::Int32.cast(job.mesh.edges.vertices) },
        "vertices" => ->(job) { Numo::SFloat.cast(job.mesh.positions) },
        "triangle_pieces" =>
          lambda do |job|
            SheetTrace::Flatten::Cut.call(job.mesh, job.seams).face_pieces[job.layout.uv_map.triangles.faces]
          end,
        "seams" => ->(job) { Numo::Int32.cast(job.seams.where) },
        "points" => ->(job) { Numo::SFloat.cast(job.layout.points_px) }
      }.freeze
      NAMES = TABLE.keys.freeze
      private_constant :TABLE

      # @param names [Array<String>]
      # @return [String] the array; of several, each after its length in four bytes, little-endian
      # @raise [KeyError] if there is no array of such a name
      def self.binary(names, job)
        arrays = names.map { |name| TABLE.fetch(name) }.map { |array| array.call(job).to_binary }
        arrays.size == 1 ? arrays.first : arrays.flat_map { |bytes| [[bytes.bytesize].pack("L<"), bytes] }.join
      end

      def self.bare(job)
        vertices = bare_vertices(job)
        vertices.empty? ? Numo::SFloat.zeros(0) : Numo::SFloat.cast(job.mesh.positions[vertices, true])
      end

      def self.bare_vertices(job)
        rows = bare_rows(job)
        if rows.empty?
          Numo::Int32.zeros(0)
        else
          job.mesh.corner_vertices[job.mesh.triangulation.corners[rows, true].flatten]
        end
      end

      def self.bare_rows(job) = (~job.layout.uv_map.face_mapped[job.mesh.triangulation.faces]).where
      private_class_method :bare, :bare_vertices, :bare_rows
    end
  end
end
