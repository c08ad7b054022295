# frozen_string_literal: true

module SheetTrace
  module Operations
    # Joins islands along edges of the model: the smaller one across is moved, turned and scaled onto the larger, one
    # edge after the other.
    #
    # edges [Array<Integer>] of the mesh
    JoinIslands = Struct.new(:edges, keyword_init: true) do
      def initialize(edges:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.edges(job, edges)
        return [problem] if problem

        joined(job).first.zero? ? ["these edges don't lie between two islands"] : []
      end

      def apply(job) = NetOf.settled(job, joined(job).last)

      def describe(job, after)
        count = joined(job).first
        "#{Words.count(count, "island")} joined on, #{after.layout.uv_map.island_count} left"
      end

      private

      # @return [Array(Integer, Flatten::Join)]
      def joined(job)
        join = NetOf.start(job)
        [edges.count { |edge| on_sheet?(job, edge) && join.call(edge) }, join]
      end

      def on_sheet?(job, edge)
        corners = job.mesh.edges.corner_edges.eq(edge).where
        job.layout.uv_map.face_mapped[job.mesh.corner_faces[corners]].all?
      end
    end
  end
end
