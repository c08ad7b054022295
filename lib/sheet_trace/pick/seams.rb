# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges that are cut now, as drawn or as the map has them, without open borders, which are cut anyway.
    module Seams
      def self.call(job, kind)
        Pick.only_for(%w[edges], kind, "seams")
        (job.seams & job.mesh.edges.uses.eq(2)).where.to_a
      end
    end
  end
end
