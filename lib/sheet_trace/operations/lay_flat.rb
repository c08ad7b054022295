# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands or faces flat anew. Each new piece keeps the place and the density of the island that most of it
    # comes from; one that comes to lie on another goes on to a free place. What is not laid flat stays to the bit, on
    # the sheet and in the plan of seams. Where the best way is found for all, they are packed.
    class LayFlat < Operation
      # Where seams may come from.
      SEAMS = %w[drawn angle none all].freeze
      # More are not packed at once: it would take longer than laying flat.
      MOST_PACKED = 120
      private_constant :MOST_PACKED

      islands :islands, "all faces, those without UVs too, if islands and faces are nil", optional: true
      faces :faces, "these go before islands", optional: true
      one_of :by,
             Flatten::Pieces::METHODS,
             "the way of laying flat; best: flat panels become nets, bands are rolled out, the rest is unfolded",
             default: "best"
      one_of :seams,
             SEAMS,
             "drawn: as they are drawn, or else as the islands are now, for best none then; angle: where the surface " \
               "bends by more than the angle; none; all: each face apart",
             default: "drawn"
      number :stretch_limit, 1..100, "for best: mean stretch of what is unfolded", default: Flatten::BestWay::LIMIT
      angle :angle_rad, 0.01..Math::PI, "for seams and pieces by angle", default: Math::PI / 3
      direction :direction, "for seen: from the surface to the eye", optional: true
      one_of :sides, Flatten::Split::SIDES.keys, "for direction", default: "six"
      direction :axis, "for rollout: the band's axis, model units; fitted if nil", optional: true
      numbers :origin,
              3,
              Parameters::Numbers::WIDE,
              "for rollout: a place on the axis, a cone's apex, model units; fitted if nil",
              optional: true
      flag :mirrored, "whether seams and pieces follow the model's plane of symmetry", default: false
      parameter :into,
                record {
                  number :width_px, 1..100_000
                  number :height_px, 1..100_000
                  flag :keep, "its proportions", default: true
                },
                "a rectangle that the one piece is fitted to",
                optional: true
      corners :pins, "vertices that stay where they lie on the sheet, to the bit, for unfold", default: []
      number :gutter_px, Job::GUTTER_PX, "to be kept from other islands; the job's if nil", optional: true

      def call(job)
        refuse_senseless(job)
        after, counts = laid(job)
        worst = [job, after].map { |state| state.measures.map { |measure| worst_of(measure) }.max || 1.0 }
        change(
          after,
          "#{subject(job)} laid flat (#{way(counts)}): " \
            "#{Phrases.count(after.layout.uv_map.island_count, "island")}, worst stretch #{Phrases.from_to(worst)}" \
            "#{no_room(job, after)}#{"; the plan of seams is kept elsewhere" if after.drawn_seams}"
        )
      end

      private

      def worst_of(measure) = measure.flat_triangles.positive? ? Float::INFINITY : measure.stretch_worst || 1.0

      def refuse_senseless(job)
        refuse("direction is lacking; give #{Parameters::Direction.new.to_text}") if by == "seen" && direction.nil?
        refuse("held corners go with true scale, and not with mirrored halves") if pins.any? && (into || mirrored)
        refuse("corners are held by unfolding alone") if pins.any? && by != "unfold"
        refuse("mirrored halves are laid by one of the other ways; best goes by each part") if mirrored && by == "best"
        refuse("the model has no plane of symmetry to follow") if mirrored && job.mesh.symmetry.nil?
      end

      # @param counts [Hash{Symbol => Integer}, nil] as Flatten::BestWay has it
      def way(counts)
        return by.tr("_", "-") unless counts

        [
          (Phrases.count(counts[:net], "net") if counts[:net].positive?),
          ("#{counts[:flat]} flat" if counts[:flat].positive?),
          ("#{counts[:rolled]} rolled out" if counts[:rolled].positive?),
          ("#{counts[:unfolded]} unfolded" if counts[:unfolded].positive?)
        ].compact.join(", ")
      end

      def no_room(job, after)
        return if everything?(job) || job.layout.islands_off_sheet.any? || after.layout.islands_off_sheet.empty?

        "; there is no free room, so that #{Phrases.count(after.layout.islands_off_sheet.size, "island")} " \
          "lies beside the sheet"
      end

      # Laid out anew, at one density.
      def anew?(job) = by == "best" && everything?(job)

      def everything?(job) = target(job).size == job.mesh.face_count

      def subject(job)
        return Phrases.count(faces.size, "face") if faces

        islands ? Phrases.islands(job, islands) : "All faces"
      end

      def laid(job)
        faces = target(job)
        pieces = Progress.part(0, 0.8) { pieces(job, faces) }
        px = job.sheet.to_px(job.layout.corner_uvs)
        groups = Job::Remap.groups(job)
        held = held_corners(job, faces)
        pieces.laid.each { |piece| lay(job, pieces, piece, px, groups, held) }
        mapped = job.layout.uv_map.face_mapped.copy.tap { |bits| bits[faces] = 1 }
        after = Job::Remap.by_corner(job, corner_uvs: uvs(job, px, faces, held), face_mapped: mapped, groups: groups)
        fresh =
          after.layout.uv_map.face_islands[faces].to_a.uniq -
            after.layout.uv_map.face_islands[job.mesh.corner_faces[held]].to_a
        after = after.with(drawn_seams: plan_elsewhere(job, after, faces))
        after = Progress.part(0.8, 1) { settled(job, after, fresh) }
        [after, pieces.counts]
      end

      # What is laid flat is cut as it lies now; elsewhere what is planned stays planned.
      def plan_elsewhere(job, after, faces)
        return if job.drawn_seams.nil? || faces.size == job.mesh.face_count

        chosen = Numo::Bit.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }
        touched = Numo::Bit.zeros(job.mesh.edges.count)
        corners = chosen[job.mesh.corner_faces].where
        touched[job.mesh.edges.corner_edges[corners]] = 1
        plan = (job.drawn_seams & ~touched) | (Flatten::Seams.of_map(after.layout.uv_map) & touched)
        plan unless plan == Flatten::Seams.of_map(after.layout.uv_map)
      end

      def settled(job, after, fresh)
        return after if into
        return packed(after) if anew?(job) && fresh.size <= MOST_PACKED

        gutter = gutter_px || job.gutter_px
        layout =
          if everything?(job)
            Layout::MoveToFreePlaces.call(after.layout, fresh, gutter_px: gutter)
          else
            Layout::MoveToFreePlaces.or_beside(after.layout, fresh, gutter_px: gutter)
          end
        after.with(layout: layout)
      end

      def packed(after)
        layout =
          Layout::Pack.call(
            after.layout,
            (0...after.layout.uv_map.island_count).map { |island| [island] },
            gutter_px: gutter_px || after.gutter_px,
            margin_px: [after.plan.margin_px, gutter_px || after.gutter_px].max,
            reserved: after.plan.reserved,
            turn: "none"
          ).layout
        after.with(layout: layout)
      end

      def target(job)
        return faces.uniq if faces
        return (0...job.mesh.face_count).to_a unless islands

        islands.flat_map { |island| job.layout.uv_map.island_faces[island].to_a }
      end

      def pieces(job, faces)
        pieces = laid_flat(job, faces)
        return pieces unless into && pieces.laid.size > 1

        raise LayoutError.new(
                "#{pieces.laid.size} pieces can't be fitted to one rectangle; pick one, or keep true scale",
                where: {
                  pieces: pieces.laid.size
                }
              )
      end

      def laid_flat(job, faces)
        Flatten::Pieces.call(
          job.mesh,
          method: by,
          seams: seam_edges(job, faces),
          angle_rad: angle_rad,
          faces: faces,
          direction: direction,
          sides: sides,
          band: { axis: axis, origin: origin }.compact,
          held: held_places(job, held_corners(job, faces)),
          limit: stretch_limit,
          symmetry: mirrored ? job.mesh.symmetry : nil
        )
      end

      # What is not laid flat, and what is held, stays to the bit.
      def uvs(job, px, faces, held)
        moved = Numo::Bit.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }[job.mesh.corner_faces]
        moved[held] = 0 unless held.empty?
        rows = moved.where
        job.layout.corner_uvs.copy.tap { |uvs| uvs[rows, true] = job.sheet.px_to_uv.apply(px)[rows, true] }
      end

      # @return [Array<Integer>] corners on the sheet that are held
      def held_corners(job, faces)
        return [] if pins.empty? || by != "unfold"

        wanted = Numo::Bit.zeros(job.mesh.vertex_count).tap { |bits| bits[pins] = 1 }
        chosen = Numo::Bit.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 } & job.layout.uv_map.face_mapped
        (wanted[job.mesh.corner_vertices] & chosen[job.mesh.corner_faces]).where.to_a
      end

      # @return [Hash{Integer => Array(Float, Float)}] corner => place, model units, y up
      def held_places(job, corners)
        px = job.sheet.to_px(job.layout.corner_uvs)
        corners.to_h do |corner|
          [
            corner,
            [px[corner, 0], -px[corner, 1]].map do |value|
              value / scale(job, job.layout.uv_map.face_islands[job.mesh.corner_faces[corner]])
            end
          ]
        end
      end

      # @return [Float] px per model unit
      def scale(job, island)
        own = island ? job.measures[island].density_px_per_mm : 0.0
        (own.positive? ? own : job.density_px_per_mm) * job.unit_mm
      end

      # What is not to be laid flat is parted from what is.
      def seam_edges(job, faces)
        edges =
          case seams
          when "drawn"
            by == "best" ? job.drawn_seams || Flatten::Seams.none(job.mesh) : job.seams
          when "angle"
            Flatten::Seams.by_angle(job.mesh, angle_rad)
          when "all"
            ~Flatten::Seams.none(job.mesh)
          else
            Flatten::Seams.none(job.mesh)
          end
        chosen = Numo::Int32.zeros(job.mesh.face_count).tap { |bits| bits[faces] = 1 }
        edges | Flatten::Seams.between(job.mesh, chosen)
      end

      def lay(job, pieces, piece, px, groups, held)
        cut = pieces.cut
        own = cut.face_pieces.eq(piece).where
        island = home(job, own)
        corners = cut.face_pieces[job.mesh.corner_faces].eq(piece).where
        flat = pieces.places[cut.corner_points[corners], true] * Numo::DFloat[[1, -1]] # px run down
        flat *=
          (
            if into
              scale_into(flat)
            else
              scale(job, anew?(job) ? nil : island)
            end
          )
        groups[own] = job.layout.uv_map.island_count + 1 + piece
        stay = held & corners.to_a
        kept = px[stay, true].copy if stay.any?
        px[corners, true] = stay.any? ? flat : flat + middle(job, island)
        px[stay, true] = kept if kept
      end

      # @return [Numo::DFloat] 1 x 2, px
      def middle(job, island)
        x, y = island ? job.layout.centre_px([island]) : [job.sheet.width_px / 2.0, job.sheet.height_px / 2.0]
        Numo::DFloat[into ? kept_on_sheet(job, x, y) : [x, y]].reshape(1, 2)
      end

      # @return [Numo::DFloat] 1 x 2 scale across and down
      def scale_into(flat)
        size = (flat.max(axis: 0) - flat.min(axis: 0)).to_a
        scale = into.values_at(:width_px, :height_px).zip(size).map { |px, own| own.positive? ? px / own : 1.0 }
        Numo::DFloat[into[:keep] ? [scale.min] * 2 : scale]
      end

      # The middle, so that the rectangle lies on the sheet where it can.
      def kept_on_sheet(job, *middle)
        [
          [middle[0], into[:width_px], job.sheet.width_px],
          [middle[1], into[:height_px], job.sheet.height_px]
        ].map { |at, own, whole| own >= whole ? whole / 2.0 : at.clamp(own / 2.0, whole - (own / 2.0)) }
      end

      # The island that most of the piece's area lies on now.
      def home(job, faces)
        map = job.layout.uv_map
        mapped = faces[map.face_mapped[faces].where]
        return if mapped.empty?

        areas = Geometry::Vectors.lengths(job.mesh.face_area_vectors[mapped, true]).to_a
        map.face_islands[mapped]
          .to_a
          .zip(areas)
          .each_with_object(Hash.new(0.0)) { |(island, area), sums| sums[island] += area }
          .max_by(&:last)
          .first
      end
    end
  end
end
