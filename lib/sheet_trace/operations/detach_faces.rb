# frozen_string_literal: true

module SheetTrace
  module Operations
    # Detaches faces from their islands as islands of their own, in shape and size as they lie, at free places near
    # by, or where they
    # are if there is no room. What they leave stays where it is.
    class DetachFaces < Operation
      faces

      # @return [Boolean] whether faces that lie on the sheet are whole islands already
      def self.whole?(job, faces)
        map = job.layout.uv_map
        faces
          .group_by { |face| map.face_islands[face] }
          .all? { |island, own| own.size == map.island_faces[island].size }
      end

      def call(job)
        own = faces.uniq.select { |face| job.layout.uv_map.face_mapped[face] == 1 }
        refuse("none of these faces lies on the sheet; lay them flat first") if own.empty?
        refuse("these faces are whole islands already") if DetachFaces.whole?(job, own)

        apart = apart(job, own)
        fresh = apart.layout.uv_map.face_islands[own].to_a.uniq
        islands = fresh.size == 1 ? "an island" : "#{fresh.size} islands"
        change(
          to_free_places(apart, fresh),
          "#{Phrases.count(own.size, "face")} detached as #{islands} of #{own.size == 1 ? "its" : "their"} own"
        )
      end

      private

      def apart(job, own)
        groups = Job::Remap.groups(job)
        groups[own] = groups[own] + job.layout.uv_map.island_count + 1
        Job::Remap.by_corner(
          job,
          corner_uvs: job.layout.corner_uvs,
          face_mapped: job.layout.uv_map.face_mapped,
          groups: groups
        )
      end

      def to_free_places(job, islands)
        job.with(layout: Layout::MoveToFreePlaces.call(job.layout, islands, gutter_px: job.gutter_px, shrink: false))
      rescue LayoutError # no room: they stay where they are
        job
      end
    end
  end
end
