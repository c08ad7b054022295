# frozen_string_literal: true

module SheetTrace
  module Pick
    # All that lies on islands.
    module Islands
      # @param islands [Array<Integer>]
      def self.call(job, kind, islands:)
        map = job.layout.uv_map
        faces = Array(islands).flat_map { |island| island.is_a?(Integer) && island >= 0 ? map.island_faces[island].to_a : [] }
        kind == "faces" ? faces.sort : Carry.call(job, kind, of: "faces", picked: faces)
      end
    end
  end
end
