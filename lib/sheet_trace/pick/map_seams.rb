# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges at which the present map is cut, whatever was drawn since.
    module MapSeams
      def self.call(job, kind)
        Pick.only_for(%w[edges], kind, "seams")
        Flatten::Seams.of_map(job.layout.uv_map).where.to_a
      end
    end
  end
end
