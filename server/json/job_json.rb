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
          history: history, source: source(job), notes: job.notes.map { |note| { code: note.code, message: note.message, where: note.where } },
          surface: snapshot.document[:surface], placements: snapshot.document[:placements], seams: snapshot.document[:seams],
          unit_mm: job.unit_mm, bounds_mm: { min: low.map { |x| x * job.unit_mm }, max: high.map { |x| x * job.unit_mm } },
          counts: counts(job.mesh), parts: parts(job.mesh), materials: materials(job.mesh), gutter_px: job.gutter_px,
          kept_maps: job.kept_maps.map(&:name), margin_px: job.plan.margin_px, reserved_px: job.plan.reserved,
          sheet: job.sheet.to_h, density_px_per_mm: job.density_px_per_mm, chart_square_mm: SheetTrace::Artwork::TestChart::SQUARE_MM,
          islands: IslandsJson.call(job), backdrop: BackdropJson.call(job), edition: EditionJson.call(job, pictures), pictures: pictures.map { |picture| picture.except(:job_id) } }
      end

      def self.source(job)
        source = job.source
        { name: source.name, format: source.format, unit_mm: source.unit_mm, up_axis: source.up_axis,
          uv_sets: source.used_sets.map { |index| { index: index, name: source.uv_sets[index].name } } }
      end

      # Parts that are alike have the same number in like.
      def self.parts(mesh)
        faces = mesh.face_parts.bincount(minlength: mesh.parts.size).to_a
        like = mesh.identical_parts.each_with_index.flat_map { |group, number| group.map { |part| [part, number] } }.to_h
        mesh.parts.each_with_index.map { |name, index| { name: name, faces: faces[index], like: like[index] } }
      end

      def self.materials(mesh)
        faces = mesh.face_materials.bincount(minlength: mesh.materials.size).to_a
        mesh.materials.each_with_index.map { |material, index| { name: material.name, color: material.color, image: material.image, faces: faces[index] } }
      end

      def self.counts(mesh)
        { vertices: mesh.vertex_count, faces: mesh.face_count, triangles: mesh.triangulation.count, parts: mesh.parts.size, materials: mesh.materials.size }
      end
      private_class_method :source, :parts, :materials, :counts
    end
  end
end
