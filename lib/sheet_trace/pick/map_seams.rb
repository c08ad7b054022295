# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges at which the present map is cut, whatever was drawn since.
    module MapSeams
      extend Way

      finds "edges"

      def self.call(job, _kind)
        Flatten::Seams.of_map(job.layout.uv_map).where.to_a
      end
    end
  end
end
