# frozen_string_literal: true

module SheetTrace
  module Pick
    # Edges that are cut now, as drawn or as the map has them, without open borders, which are cut anyway.
    module Seams
      extend Way

      finds "edges"

      def self.call(job, _kind)
        (job.seams & job.mesh.edges.uses.eq(2)).where.to_a
      end
    end
  end
end
