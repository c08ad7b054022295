# frozen_string_literal: true

module SheetTrace
  module Operations
    # Detaches faces from their islands as islands of their own, in shape and size as they lie, at free places near by, or where they
    # are if there is no room. What they leave stays where it is.
    #
    # faces [Array<Integer>]
    DetachFaces = Struct.new(:faces, keyword_init: true) do
      def initialize(faces:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.faces(job, faces)
        return [problem] if problem
        return ["none of these faces lies on the sheet; lay them flat first"] if mapped(job).empty?

        map = job.layout.uv_map
        whole = mapped(job).group_by { |face| map.face_islands[face] }.all? { |island, own| own.size == map.island_faces[island].size }
        whole ? ["these faces are whole islands already"] : []
      end

      def apply(job)
        groups = Job::Remap.groups(job)
        own = mapped(job)
        groups[own] = groups[own] + job.layout.uv_map.island_count + 1
        after = Job::Remap.by_corner(job, corner_uvs: job.layout.corner_uvs, face_mapped: job.layout.uv_map.face_mapped, groups: groups)
        fresh = after.layout.uv_map.face_islands[own].to_a.uniq
        after.with(layout: Layout::Settle.call(after.layout, fresh, gutter_px: job.gutter_px, shrink: false))
      rescue LayoutError
        after
      end

      def describe(job, after)
        own = mapped(job)
        fresh = after.layout.uv_map.face_islands[own].to_a.uniq.size
        "#{Words.count(own.size, "face")} detached as #{fresh == 1 ? "an island" : "#{fresh} islands"} of #{own.size == 1 ? "its" : "their"} own"
      end

      private

      def mapped(job) = faces.uniq.select { |face| job.layout.uv_map.face_mapped[face] == 1 }
    end
  end
end
