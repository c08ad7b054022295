# frozen_string_literal: true

module SheetTrace
  module Pick
    # What is picked and one ring about it: all that has a corner in common with it.
    module More
      extend Way

      picked

      def self.call(job, kind, picked:)
        marked = Touching.vertices(job.mesh, kind, picked)
        return Touching.any(job.mesh, kind, marked) unless kind == "corners"

        near = Touching.any(job.mesh, "edges", marked)
        near.empty? ? picked : (picked + job.mesh.edges.vertices[near, true].to_a.flatten).uniq.sort
      end
    end
  end
end
