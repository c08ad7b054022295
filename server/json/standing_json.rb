# frozen_string_literal: true

module SheetTraceServer
  module Json
    # How islands stand where a hand has moved them.
    module StandingJson
      # @param job [SheetTrace::Job]; islands [Array<Integer>]; change [SheetTrace::Geometry::Affine] px
      def self.call(job, islands, change)
        moved = SheetTrace::Layout::Stacks.of(job.layout, islands).flatten
        standing = SheetTrace::Layout::Standing.call(job.layout.place(moved, change), moved)
        densities = job.measures.values_at(*islands).map { |measure| measure.density_px_per_mm * Math.sqrt(change.determinant.abs) }
        { **standing.to_h, density_px_per_mm: densities.minmax }
      end
    end
  end
end
