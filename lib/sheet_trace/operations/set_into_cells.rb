# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets islands or faces into cells of the underlay, twins that lie on them along. Faces of several islands are
    # detached first.
    class SetIntoCells < Operation
      ASSIGNMENT =
        record do
          ChosenFaces.declare(self)
          cell :cell, optional: true
          cells :cells, "instead of a cell: a net onto a printed one", optional: true
          one_of :way, Fit::IntoCell::WAYS, default: "inside"
          flag :together, "whether they are set in as one, or each for itself", default: true
          one_of :turn, %w[up keep], "up: model-up points up", default: "up"
          angle :turn_rad, -100..100, "on top of that, clockwise", label: "turn", default: 0
          flag :mirrored, "whether they shall read mirrored", default: false
        end

      list :assignments, ASSIGNMENT, sizes: 1..10_000, entry: "assignment"
      number :inset_px, 0..1000, "kept free inside cells; the job's if nil", optional: true

      # Faces stay what they are while islands are numbered anew.
      def call(job)
        refuse("no underlay is shown; lay one under the islands first") unless job.fit_setup.underlay

        wanted = assignments.map { |assignment| [assignment, ChosenFaces.call(job, assignment)] }
        after =
          wanted.reduce(job) do |so_far, (assignment, faces)|
            set(detached(so_far, assignment, faces), assignment, faces)
          end
        change(assigned(job, after, wanted.flat_map(&:last)), sentence(job, after, wanted))
      end

      private

      # Those that lie on them go along. What was not known before is asked of the job before.
      def assigned(before, after, faces)
        islands = after.layout.uv_map.face_islands[faces].to_a.uniq
        known = after.fit_setup.assigned || ChosenFaces.assigned(before)
        set_in = known | Layout::Stacks.of(after.layout, islands).flatten
        after.with(fit_setup: after.fit_setup.with(assigned: set_in))
      end

      def sentence(job, after, wanted)
        return "#{Phrases.count(wanted.size, "piece")} set into cells" if wanted.size > 1

        assignment, faces = wanted.first
        names = cells(job, assignment).map(&:name)
        map = after.layout.uv_map
        density = after.measures[map.face_islands[faces.first]].density_px_per_mm
        "#{ChosenFaces.to_words(job, assignment)} set into " \
          "#{names.size > 2 ? "#{names.size} cells" : names.join(" and ")}: #{Phrases.short(density)} px/mm"
      end

      def cells(job, assignment)
        indices = assignment[:cells] || [assignment[:cell]].compact
        refuse("an assignment names no cell; give cell or cells") if indices.empty?

        job.fit_setup.cells.values_at(*indices)
      end

      def detached(job, assignment, faces)
        if assignment[:islands] || assignment[:rest] || DetachFaces.whole?(job, faces)
          job
        else
          done(DetachFaces.new(faces: faces), job)
        end
      end

      def set(job, assignment, faces)
        islands = job.layout.uv_map.face_islands[faces].to_a.uniq
        return net(job, assignment, islands.first) if assignment[:cells] && assignment[:cells].size > 1

        groups = assignment[:together] ? [islands] : islands.map { |island| [island] }
        groups.reduce(job) { |so_far, group| group(so_far, assignment, group) }
      end

      def group(job, assignment, islands)
        job = straightened(job, islands) if %w[true_shape fill].include?(assignment[:way])
        points = job.layout.uv_map.points_of(islands)
        turn, mirror = turned(job.measures[islands.first], assignment)
        cell = cells(job, assignment).first
        underlay = job.fit_setup.underlay
        options = {
          way: assignment[:way].sub("true_shape", "inside"),
          turn_rad: turn,
          mirror: mirror,
          inset_px: inset_px || job.fit_setup.inset_px
        }
        outline = cell.outline && underlay.corners_px(cell, job.sheet)
        placed =
          Fit::IntoCell.call(
            job.layout.points_px[points, true],
            underlay.box_px(cell, job.sheet),
            **options,
            outline: outline
          )
        job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, islands).flatten, placed))
      end

      def straightened(job, islands)
        job.with(
          layout:
            islands.reduce(job.layout) do |layout, island|
              layout.place([island], TrueShape.straight(job, island).about(*layout.centre_px([island])))
            end
        )
      end

      def net(job, assignment, island)
        boxes = cells(job, assignment).map { |cell| job.fit_setup.underlay.box_px(cell, job.sheet) }
        now = assignment[:turn] == "keep" ? job.measures[island].up_angle_rad : 0.0
        points, =
          Fit::NetIntoCells.call(
            job.layout,
            island,
            job.flat_map(island),
            boxes,
            turn_rad: now + assignment[:turn_rad],
            mirror: assignment[:mirrored]
          )
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(points))
      end

      # @return [Array(Float, Boolean)] by how much it is turned, and whether it is turned over first
      def turned(measure, assignment)
        mirror = measure.mirrored != assignment[:mirrored]
        more = assignment[:turn_rad]
        return more, mirror if assignment[:turn] == "keep"

        [more - (mirror ? -measure.up_angle_rad : measure.up_angle_rad), mirror]
      end
    end
  end
end
