# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A job's revision as the front end sees it.
    module JobJson
      # @param row [Hash] of jobs; revision [Hash] row of revisions; snapshot [SheetTrace::Job::Snapshot]
      # @param pictures [Array<Hash>]; history [Hash]
      # @return [Hash]
      def self.call(row:, revision:, snapshot:, pictures:, history:)
        job = snapshot.job
        low, high = job.mesh.bounds
        { id: row[:id], name: row[:name], revision: revision[:id], saved_at: revision[:created_at].iso8601, done: revision[:description],
          history: history, source_name: job.source_name, notes: job.notes.map { |note| { code: note.code, message: note.message, where: note.where } },
          surface: snapshot.document[:surface], placements: snapshot.document[:placements],
          unit_mm: job.unit_mm, bounds_mm: { min: low.map { |x| x * job.unit_mm }, max: high.map { |x| x * job.unit_mm } },
          counts: counts(job.mesh), parts: job.mesh.parts, materials: job.mesh.material_names,
          sheet: job.sheet.to_h, density_px_per_mm: job.density_px_per_mm, chart_square_mm: SheetTrace::Artwork::TestChart::SQUARE_MM,
          islands: IslandsJson.call(job), edition: EditionJson.call(job, pictures), pictures: pictures.map { |picture| picture.except(:job_id) } }
      end

      def self.counts(mesh)
        { vertices: mesh.vertex_count, faces: mesh.face_count, triangles: mesh.triangulation.count, parts: mesh.parts.size, materials: mesh.materials.size }
      end
      private_class_method :counts
    end
  end
end
