# frozen_string_literal: true

module SheetTrace
  module Operations
    # What an operation would do to the sheet, without keeping it.
    #
    # change [Operation::Change]
    # islands [Array<Integer>] of the job as it would be, that come to lie elsewhere or are cut anew
    # lines_px [Numo::DFloat] n x 4 their outlines: both ends of each edge
    # moves_px [Hash{Integer => Geometry::Affine}] how islands that are only moved get there
    Preview =
      Struct.new(:change, :islands, :lines_px, :moves_px, keyword_init: true) do
        # @param operation [Operation]
        # @param job [Job]
        # @return [Preview]
        # @raise [InvalidOperationError] as Operations.run
        def self.call(operation, job, **pictures)
          change = Operations.run(operation, job, **pictures)
          islands = changed(job, change.job)
          layout = change.job.layout
          moves = islands.to_h { |island| [island, layout.moved_px(job.layout, island)] }.compact
          new(change: change, islands: islands, lines_px: lines(layout, islands), moves_px: moves)
        end

        # @param layout [Layout]
        # @param islands [Array<Integer>]
        # @param inner [Boolean] whether edges inside them are wanted too
        # @return [Numo::DFloat] n x 4
        def self.lines(layout, islands, inner: false)
          edges = layout.uv_map.edges
          wanted =
            Numo::Bit.zeros([layout.uv_map.island_count, 1].max).tap { |bits| bits[islands] = 1 unless islands.empty? }[
              edges.islands
            ]
          rows = (inner ? wanted : edges.outline & wanted).where
          return Numo::DFloat.zeros(0, 4) if rows.empty?

          ends = [0, 1].map { |k| layout.points_px[edges.points[rows, k], true] }
          Geometry::Vectors.columns(ends.flat_map { |places| [places[true, 0], places[true, 1]] })
        end

        def self.changed(before, after)
          return (0...after.layout.uv_map.island_count).to_a if before.mesh.corner_count != after.mesh.corner_count

          px = [before, after].map { |job| job.sheet.to_px(job.layout.corner_uvs) }
          old, new = [before, after].map { |job| job.layout.uv_map }
          changed = old.face_mapped ^ new.face_mapped
          moved = ((px[0] - px[1]).abs.max(axis: 1) > Preview::STILL_PX).where
          changed[after.mesh.corner_faces[moved]] = 1 unless moved.empty?
          faces = (changed & new.face_mapped).where
          faces.empty? ? [] : new.face_islands[faces].to_a.uniq.sort
        end
        private_class_method :changed
      end

    # Nearer than this a corner has not moved.
    class Preview
      STILL_PX = 1e-6
    end
  end
end
