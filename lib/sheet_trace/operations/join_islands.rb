# frozen_string_literal: true

module SheetTrace
  module Operations
    # Joins islands along edges of the model: the smaller one across is moved, turned and scaled onto the larger, one
    # edge after the other.
    class JoinIslands < Operation
      edges

      def call(job)
        join = IslandNet.start(job)
        count = edges.count { |edge| on_sheet?(job, edge) && join.call(edge) }
        refuse("these edges don't lie between two islands") if count.zero?

        after = IslandNet.settled(job, join)
        change(after, "#{Phrases.count(count, "island")} joined on, #{after.layout.uv_map.island_count} left")
      end

      private

      def on_sheet?(job, edge)
        corners = job.mesh.edges.corner_edges.eq(edge).where
        job.layout.uv_map.face_mapped[job.mesh.corner_faces[corners]].all?
      end
    end
  end
end
