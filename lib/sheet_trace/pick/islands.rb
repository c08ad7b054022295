# frozen_string_literal: true

module SheetTrace
  module Pick
    # All that lies on islands.
    module Islands
      extend Way

      islands

      def self.call(job, kind, islands:)
        map = job.layout.uv_map
        faces = islands.flat_map { |island| map.island_faces[island].to_a }
        kind == "faces" ? faces.sort : Carry.call(job, kind, of: "faces", picked: faces)
      end
    end
  end
end
