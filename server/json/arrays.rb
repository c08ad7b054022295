# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The big arrays of a job as little-endian binary, by name.
    module Arrays
      # name => what it is: Float32 or Int32 values in rows
      # positions: K x 9, corners of the triangles on the sheet, model units
      # bare_positions: N x 9, corners of the triangles that have no UVs
      # triangle_points: K x 3; triangle_islands: K; point_islands: P
      # edges: E x 2 points; edge_outlines: E, 1 where only one face has the edge
      # points: P x 2, px from the sheet's top left corner
      TABLE = {
        "positions" => lambda do |job|
          triangles = job.layout.uv_map.triangles
          Numo::SFloat.cast(job.mesh.positions[triangles.vertices.flatten, true])
        end,
        "bare_positions" => ->(job) { bare(job) },
        "triangle_points" => ->(job) { job.layout.uv_map.triangles.points },
        "triangle_islands" => ->(job) { job.layout.uv_map.triangles.islands },
        "point_islands" => ->(job) { job.layout.uv_map.point_islands },
        "edges" => ->(job) { job.layout.uv_map.edges.points },
        "edge_outlines" => ->(job) { Numo::Int32.cast(job.layout.uv_map.edges.outline) },
        "points" => ->(job) { Numo::SFloat.cast(job.layout.points_px) }
      }.freeze
      private_constant :TABLE

      # @return [String, nil] nil if there is no array of that name
      def self.binary(name, job) = TABLE[name]&.call(job)&.to_binary

      def self.bare(job)
        cut = job.mesh.triangulation
        rows = (~job.layout.uv_map.face_mapped[cut.faces]).where
        Numo::SFloat.cast(job.mesh.positions[job.mesh.corner_vertices[cut.corners[rows, true].flatten], true])
      end
      private_class_method :bare
    end
  end
end
