# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets islands or faces into cells of the underlay, twins that lie on them along. Faces of several islands are detached first.
    #
    # assignments [Array<Hash>] each with islands, faces, material or rest as FacesOf has them, and cell [Integer], or cells [Array<Integer>] for a net onto a printed one;
    #   way [String] of Fit::IntoCell::WAYS, "inside" if not said; together [Boolean] whether they are set in as one, or each for itself; true if not said
    #   turn [String] "up": model-up points up, or "keep"; turn_rad [Numeric] on top of that, clockwise; mirrored [Boolean] whether they shall read mirrored
    # inset_px [Numeric, nil] kept free inside cells; the job's if nil
    SetIntoCells = Struct.new(:assignments, :inset_px, keyword_init: true) do
      def initialize(assignments:, inset_px: nil)
        super
        freeze
      end

      def validate(job)
        return ["no underlay is shown; lay one under the islands first"] unless job.backdrop.underlay
        return ["nothing is assigned; pick islands and a cell"] unless assignments.is_a?(Array) && assignments.any?

        [Checks.optional(inset_px, "inset", 0..1000), *assignments.filter_map { |one| problem(job, one) }.first(1)].compact
      end

      # Faces stay what they are while islands are numbered anew.
      def apply(job)
        wanted = assignments.map { |one| [one, FacesOf.call(job, one)] }
        wanted.reduce(job) { |so_far, (one, faces)| set(detached(so_far, one, faces), one, faces) }
      end

      def describe(job, after)
        return "#{Words.count(assignments.size, "piece")} set into cells" if assignments.size > 1

        one = assignments.first
        cells = cells(job, one).map(&:name)
        where = cells.size > 2 ? "#{cells.size} cells" : cells.join(" and ")
        "#{FacesOf.words(job, one)} set into #{where}: #{Words.short(density(after, FacesOf.call(job, one)))} px/mm"
      end

      private

      def problem(job, one)
        return "an assignment is #{one.inspect.slice(0, 60)}; give islands, faces or a material, and a cell" unless one.is_a?(Hash)

        strange = one.keys - SetIntoCells::KEYS
        return "an assignment has no #{strange.first.inspect}; give #{SetIntoCells::KEYS.join(", ")}" if strange.any?

        FacesOf.problem(job, one) ||
          [*(one[:cells] || [one[:cell]])].filter_map { |cell| Checks.entry(cell, job.backdrop.cells, "cell") }.first ||
          Checks.one_of(one.fetch(:way, "inside"), "way", Fit::IntoCell::WAYS) || Checks.one_of(one.fetch(:turn, "up"), "turn", %w[up keep]) ||
          Checks.number(one.fetch(:turn_rad, 0), "turn", -100..100) || Checks.flag(one.fetch(:mirrored, false), "mirrored") || Checks.flag(one.fetch(:together, true), "together")
      end

      def cells(job, one) = job.backdrop.cells.values_at(*(one[:cells] || [one[:cell]]))

      def density(after, faces)
        map = after.layout.uv_map
        after.measures[map.face_islands[faces.first]].density_px_per_mm
      end

      def detached(job, one, faces)
        return job if one[:islands] || one[:rest]

        whole = faces.group_by { |face| job.layout.uv_map.face_islands[face] }.all? { |island, own| own.size == job.layout.uv_map.island_faces[island].size }
        whole ? job : DetachFaces.new(faces: faces).apply(job)
      end

      def set(job, one, faces)
        islands = job.layout.uv_map.face_islands[faces].to_a.uniq
        return net(job, one, islands.first) if one[:cells] && one[:cells].size > 1

        groups = one.fetch(:together, true) ? [islands] : islands.map { |island| [island] }
        groups.reduce(job) { |so_far, group| group(so_far, one, group) }
      end

      def group(job, one, islands)
        job = straightened(job, islands) if %w[true_shape fill].include?(one[:way])
        points = job.layout.uv_map.points_of(islands)
        turn, mirror = turned(job.measures[islands.first], one)
        cell = cells(job, one).first
        underlay = job.backdrop.underlay
        options = { way: one.fetch(:way, "inside").sub("true_shape", "inside"), turn_rad: turn, mirror: mirror, inset_px: inset_px || job.backdrop.inset_px }
        outline = cell.outline && underlay.corners_px(cell, job.sheet)
        change = Fit::IntoCell.call(job.layout.points_px[points, true], underlay.box_px(cell, job.sheet), **options, outline: outline)
        job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, islands).flatten, change))
      end

      def straightened(job, islands)
        job.with(layout: islands.reduce(job.layout) do |layout, island|
          layout.place([island], TrueShape.straight(job, island).about(*layout.centre_px([island])))
        end)
      end

      def net(job, one, island)
        boxes = cells(job, one).map { |cell| job.backdrop.underlay.box_px(cell, job.sheet) }
        now = one[:turn] == "keep" ? job.measures[island].up_angle_rad : 0.0
        points, = Fit::NetIntoCells.call(job.layout, island, job.flat_map(island), boxes, turn_rad: now + one.fetch(:turn_rad, 0.0), mirror: one.fetch(:mirrored, false))
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(points))
      end

      # @return [Array(Float, Boolean)] by how much it is turned, and whether it is turned over first
      def turned(measure, one)
        mirror = measure.mirrored != one.fetch(:mirrored, false)
        more = one.fetch(:turn_rad, 0.0)
        return [more, mirror] if one[:turn] == "keep"

        [more - (mirror ? -measure.up_angle_rad : measure.up_angle_rad), mirror]
      end
    end

    # What an assignment may say.
    class SetIntoCells
      KEYS = %i[islands faces material rest cell cells way together turn turn_rad mirrored].freeze
    end
  end
end
