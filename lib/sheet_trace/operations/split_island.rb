# frozen_string_literal: true

module SheetTrace
  module Operations
    # Splits an awkward island in two across its longer side, near the middle, where least artwork is cut: two smaller
    # pieces pack better
    # than a long or bulky one.
    class SplitIsland < Operation
      # Where along the longer side it may be cut, the middle first.
      SHARES = [0.5, 0.45, 0.55, 0.4, 0.6, 0.35, 0.65].freeze

      island

      def call(job)
        half = half(job)
        refuse("#{job.island_names[island]} has too few faces to be split") unless half

        after = done(DetachFaces.new(faces: half), job)
        pieces = after.layout.uv_map.island_count - job.layout.uv_map.island_count + 1
        change(after, "#{job.island_names[island]} split into #{Phrases.count(pieces, "piece")}")
      end

      private

      # @return [Array<Integer>, nil] faces of one side of the best cut; nil if there is none
      def half(job)
        faces = job.layout.uv_map.island_faces[island].to_a
        along = along(job, faces)
        low, high = along.minmax
        return unless high > low

        cuts =
          SHARES.map { |share| faces.zip(along).filter_map { |face, at| face if at < low + ((high - low) * share) } }
        cuts = cuts.reject { |side| side.empty? || side.size == faces.size }
        cuts.min_by.with_index { |side, i| [cost(job, faces, side), i] }
      end

      # How far along the longer side of the box the middle of each face lies, px.
      def along(job, faces)
        width, height = job.layout.size_px(island)
        px = job.sheet.to_px(job.layout.corner_uvs)[true, width >= height ? 0 : 1]
        sums = Geometry::Grouped.sum(job.mesh.corner_faces, px, job.mesh.face_count)
        (sums[faces] / job.mesh.face_sizes[faces]).to_a
      end

      # Length of the cut on the model; under art it costs eight times as much.
      def cost(job, faces, side)
        groups =
          Numo::Int32
            .zeros(job.mesh.face_count)
            .tap { |numbers| numbers[faces] = 1 }
            .tap { |numbers| numbers[side] = 2 }
        others =
          Flatten::Seams.between(job.mesh, groups) & ~Flatten::Seams.between(job.mesh, Numo::Int32.cast(groups.ne(0)))
        cut = (others & ~Flatten::Seams.of_map(job.layout.uv_map)).where
        cut.empty? ? Float::INFINITY : Flatten::CutCosts.call(job.mesh, art_faces: Job::ArtFaces.call(job))[cut].sum
      end
    end
  end
end
