# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The islands of a job with their measures.
    module IslandsJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "Island",
          index: shape::NUMBER,
          name: shape::TEXT,
          tag: shape.one_of(*SheetTrace::Job::TAGS),
          weight: [shape::NUMBER, "density wanted beside that of others"],
          locked: [shape::FLAG, "packing goes round it"],
          stack: [shape::NUMBER.list, "islands that lie exactly on each other here, itself among them"],
          faces: shape::NUMBER,
          size_mm: shape::PAIR,
          size_exact: [shape::FLAG, "that of the surface, and no estimate from a map that stretches it"],
          size_px: shape::PAIR,
          box_px: [shape::NUMBER.times(4), "left, top, right, bottom"],
          density_px_per_mm: shape::NUMBER,
          stretch_mean: [shape::NUMBER.or_null, "null: endless, as some triangle has no area on the sheet"],
          stretch_worst: shape::NUMBER.or_null,
          flat_triangles: shape::NUMBER,
          mirrored: shape::FLAG,
          reading: [shape.one_of("right", "turned", "reflected"), "how lettering on the sheet reads on the model"],
          up_angle_deg: [shape::NUMBER, "0: model-up points to the top of the sheet; clockwise"],
          stretched: [shape::FLAG, "more than its tag allows"],
          off_sheet: [shape::FLAG, "some of it lies beside the sheet"],
          beside_sheet: [shape::FLAG, "all of it does"]
        )
      SHAPES = [SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @return [Array<Hash>] in the order of the islands
      def self.call(job)
        tags = job.tags
        boxes = job.layout.boxes_px.to_a
        off, beside, locked =
          [job.layout.islands_off_sheet, job.layout.islands_beside_sheet, job.plan.locked].map(&:to_set)
        stacks =
          SheetTrace::Layout::Stacks.call(job.layout).flat_map { |stack| stack.map { |island| [island, stack] } }.to_h
        job
          .island_names
          .zip(job.measures)
          .each_with_index
          .map do |(name, measure), index|
            {
              index: index,
              name: name,
              tag: tags[index],
              weight: job.plan.weight(index),
              locked: locked.include?(index),
              stack: stacks[index],
              faces: measure.faces,
              size_mm: measure.size_mm,
              size_exact: measure.size_exact,
              size_px: measure.size_px,
              box_px: boxes[index],
              density_px_per_mm: measure.density_px_per_mm,
              stretch_mean: measure.stretch_mean,
              stretch_worst: measure.stretch_worst,
              flat_triangles: measure.flat_triangles,
              mirrored: measure.mirrored,
              reading: measure.reading.to_s,
              up_angle_deg: measure.up_angle_rad * 180 / Math::PI,
              stretched: SheetTrace::Check::Stretch.beyond?(measure, tags[index]),
              off_sheet: off.include?(index),
              beside_sheet: beside.include?(index)
            }
          end
      end
    end
  end
end
