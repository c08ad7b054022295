# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A job's revision as the front end sees it.
    module JobJson
      shape = Shape
      NOTE = Shape::Record.new("Note", code: shape::TEXT, message: shape::TEXT, where: shape::ANY.by_name)
      PART =
        Shape::Record.new(
          "Part",
          name: shape::TEXT,
          faces: shape::NUMBER,
          like: [shape::NUMBER.or_null, "parts that are alike have the same number"]
        )
      MATERIAL =
        Shape::Record.new(
          "Material",
          name: shape::TEXT,
          color: [shape::NUMBER.times(4).or_null, "red, green, blue and opacity, 0 to 1"],
          image: shape::TEXT.or_null,
          faces: shape::NUMBER
        )
      FONT = Shape::Record.new("BroughtInFont", name: [shape::TEXT, "digest of its file"], title: shape::TEXT)
      STEP = Shape::Record.new("Step", what: shape::TEXT, elsewhere: [shape::FLAG, "done by another page"])
      HISTORY = Shape::Record.new("History", undo: STEP.or_null, redo: STEP.or_null)
      UV_SET = Shape::Record.new("UvSet", index: shape::NUMBER, name: shape::TEXT)
      SOURCE =
        Shape::Record.new(
          "Source",
          name: shape::TEXT,
          format: shape::TEXT,
          unit_mm: shape::NUMBER.or_null,
          up_axis: shape::TEXT.or_null,
          uv_sets: UV_SET.list
        )
      EXPORTED =
        Shape::Record.new(
          "Exported",
          code: [shape::TEXT, "of the layout that it was made from"],
          width_px: shape::NUMBER,
          height_px: shape::NUMBER,
          format: shape::TEXT,
          at: shape::TEXT
        )
      BOUNDS = Shape::Record.new("Bounds", min: shape::TRIPLE, max: shape::TRIPLE)
      COUNTS =
        Shape::Record.new(
          "Counts",
          vertices: shape::NUMBER,
          faces: shape::NUMBER,
          triangles: shape::NUMBER,
          vertex_colors: shape::FLAG,
          parts: shape::NUMBER,
          materials: shape::NUMBER
        )
      SHAPE =
        Shape::Record.new(
          "Job",
          id: shape::TEXT,
          name: shape::TEXT,
          revision: shape::NUMBER,
          saved_at: shape::TEXT,
          done: [shape::TEXT, "what the last change did, in one sentence"],
          damage: [shape::TEXT.or_null, "why an earlier state is shown, which can't be changed"],
          history: HISTORY,
          source: SOURCE,
          notes: NOTE.list,
          surface: [shape::TEXT, "digest: the arrays of the surface change with it"],
          placements: [shape::TEXT, "digest: the places of the islands change with it"],
          seams: [shape::TEXT.or_null, "digest of the seams drawn; null where they are those of the map"],
          layout_code: [shape::TEXT, "changes as soon as anything moves on the sheet"],
          exported: [EXPORTED.or_null, "the template that was exported last"],
          unit_mm: shape::NUMBER,
          bounds_mm: BOUNDS,
          counts: COUNTS,
          parts: PART.list,
          materials: MATERIAL.list,
          kept_maps: [shape::TEXT.list, "names of layouts kept to compare with"],
          margin_px: [shape::NUMBER, "kept free along the border"],
          reserved_px: [shape::NUMBER.times(4).list, "rectangles kept free: left, top, width, height"],
          gutter_px: [shape::NUMBER, "wanted between islands"],
          sheet: Shapes::SHEET,
          density_px_per_mm: shape::NUMBER,
          chart_square_mm: shape::NUMBER,
          islands: IslandsJson::SHAPE.list,
          fit_setup: FitSetupJson::SHAPE,
          artwork: ArtworkJson::SHAPE,
          pictures: Shapes::PICTURE.list,
          fonts: [FONT.list, "that were brought in"]
        )
      SHAPES = [NOTE, PART, MATERIAL, FONT, STEP, HISTORY, UV_SET, SOURCE, EXPORTED, BOUNDS, COUNTS, SHAPE].freeze

      # @param row [Hash] of jobs; revision [Hash] row of revisions; snapshot [SheetTrace::Job::Snapshot]
      # @param pictures [Array<Hash>]; history [Hash] rows of revisions; page [String, nil] that is told
      # @return [Hash]
      def self.call(row:, revision:, snapshot:, pictures:, history:, page: nil, damage: nil)
        job = snapshot.job
        parts = snapshot.document[:parts]
        {
          id: row[:id],
          name: row[:name],
          revision: revision[:id],
          saved_at: revision[:created_at].iso8601,
          done: revision[:description],
          damage: damage,
          history: history.transform_values { |step| step && step(step, page) },
          source: source(job),
          notes: job.notes.map { |note| { code: note.code, message: note.message, where: note.where } },
          surface: parts[:layout][:surface],
          placements: parts[:layout][:placements],
          seams: parts[:drawn_seams],
          **exported(job),
          unit_mm: job.unit_mm,
          bounds_mm: %i[min max].zip(job.bounds_mm).to_h,
          counts: counts(job.mesh),
          parts: parts(job.mesh),
          materials: materials(job.mesh),
          gutter_px: job.gutter_px,
          kept_maps: job.kept_maps.map(&:name),
          margin_px: job.plan.margin_px,
          reserved_px: job.plan.reserved,
          sheet: job.sheet.to_h,
          density_px_per_mm: job.density_px_per_mm,
          chart_square_mm: SheetTrace::Artwork::TestChart::SQUARE_MM,
          islands: IslandsJson.call(job),
          fit_setup: FitSetupJson.call(job),
          artwork: ArtworkJson.call(job),
          **brought(job, pictures)
        }
      end

      def self.brought(job, pictures)
        {
          pictures: pictures.map { |picture| picture.except(:job_id) },
          fonts: job.fonts.map { |font| { name: font.name, title: font.title } }
        }
      end

      def self.exported(job) = { layout_code: job.layout_code, exported: job.exported.last&.to_h }

      def self.step(row, page)
        { what: row[:description], elsewhere: !row[:page].nil? && row[:page] != page }
      end

      def self.source(job)
        source = job.source
        {
          name: source.name,
          format: source.format,
          unit_mm: source.unit_mm,
          up_axis: source.up_axis,
          uv_sets: source.used_sets.map { |index| { index: index, name: source.uv_sets[index].name } }
        }
      end

      def self.parts(mesh)
        like =
          mesh.identical_parts.each_with_index.flat_map { |group, number| group.map { |part| [part, number] } }.to_h
        mesh
          .parts
          .zip(mesh.part_sizes)
          .each_with_index
          .map { |(name, faces), index| { name: name, faces: faces, like: like[index] } }
      end

      def self.materials(mesh)
        mesh
          .materials
          .zip(mesh.material_sizes)
          .map { |material, faces| { name: material.name, color: material.color, image: material.image, faces: faces } }
      end

      def self.counts(mesh)
        {
          vertices: mesh.vertex_count,
          faces: mesh.face_count,
          triangles: mesh.triangulation.count,
          vertex_colors: !mesh.corner_colors.nil?,
          parts: mesh.parts.size,
          materials: mesh.materials.size
        }
      end
      private_class_method :brought, :step, :source, :parts, :materials, :counts
    end
  end
end
