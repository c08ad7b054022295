# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays the islands out as a layout file says. The sheet becomes as large as it was; names, tags and labels go
    # along with the surface.
    class LoadLayout < Operation
      text :file, "what Formats::LayoutFile wrote", longest: 200_000_000

      def call(job)
        saved = Formats::LayoutFile.read(file, job.mesh)
        resized = job.with(layout: job.layout.resize(saved.sheet))
        after =
          Job::Remap.by_corner(
            resized,
            corner_uvs: saved.corner_uvs,
            face_mapped: saved.face_mapped,
            groups: saved.face_islands
          ).with(drawn_seams: nil)
        change(after, "Layout loaded: #{Phrases.count(after.layout.uv_map.island_count, "island")} on #{after.sheet}")
      rescue FormatError => e
        refuse(e.message)
      end
    end
  end
end
