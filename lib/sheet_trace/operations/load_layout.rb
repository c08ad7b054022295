# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays the islands out as a layout file says. The sheet becomes as large as it was; names, tags and labels go along with the surface.
    #
    # file [String] what Formats::LayoutFile wrote
    LoadLayout = Struct.new(:file, keyword_init: true) do
      def initialize(file:)
        super
        freeze
      end

      def validate(job)
        return ["file is #{file.class}; give the text of a layout file"] unless file.is_a?(String)

        Formats::LayoutFile.read(file, job.mesh)
        []
      rescue FormatError => e
        [e.message]
      end

      def apply(job)
        saved = Formats::LayoutFile.read(file, job.mesh)
        resized = job.with(layout: job.layout.resize(saved.sheet))
        Job::Remap.by_corner(resized, corner_uvs: saved.corner_uvs, face_mapped: saved.face_mapped, groups: saved.face_islands).with(drawn_seams: nil)
      end

      def describe(_job, after) = "Layout loaded: #{Words.count(after.layout.uv_map.island_count, "island")} on #{after.sheet}"
    end
  end
end
