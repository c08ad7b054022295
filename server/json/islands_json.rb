# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The islands of a job with their measures.
    module IslandsJson
      # @param job [SheetTrace::Job]
      # @return [Array<Hash>] in the order of the islands
      def self.call(job)
        tags = job.tags
        boxes = job.layout.boxes_px.to_a
        stacks = SheetTrace::Layout::Stacks.call(job.layout).flat_map { |stack| stack.map { |island| [island, stack] } }.to_h
        job.island_names.zip(job.measures).each_with_index.map do |(name, measure), index|
          { index: index, name: name, tag: tags[index], weight: job.plan.weight(index), locked: job.plan.locked.include?(index), stack: stacks[index],
            faces: measure.faces, size_mm: measure.size_mm, size_px: measure.size_px, box_px: boxes[index],
            density_px_per_mm: measure.density_px_per_mm, stretch_mean: measure.stretch_mean, stretch_worst: measure.stretch_worst,
            flat_triangles: measure.flat_triangles, mirrored: measure.mirrored, reading: measure.reading, up_angle_deg: measure.up_angle_rad * 180 / Math::PI }
        end
      end
    end
  end
end
