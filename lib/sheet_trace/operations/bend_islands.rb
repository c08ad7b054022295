# frozen_string_literal: true

module SheetTrace
  module Operations
    # Bends islands by a cage of handles over the box round them, twins that lie on them along.
    #
    # islands [Array<Integer>]; columns, rows [Integer] of handles; shifts [Array<Array(Numeric, Numeric)>] of the handles, px, row by row
    BendIslands = Struct.new(:islands, :columns, :rows, :shifts, keyword_init: true) do
      def initialize(islands:, shifts:, columns: 3, rows: 3)
        super
        freeze
      end

      def validate(job)
        problem = Checks.islands(job, islands)
        return [problem] if problem
        return ["a cage has 2 to 8 columns and rows of handles"] unless [columns, rows].all? { |count| count.is_a?(Integer) && count.between?(2, 8) }
        return ["shifts are no list of #{columns * rows} pairs of numbers"] unless shifts.is_a?(Array) && shifts.size == columns * rows && shifts.all? { |shift| pair?(shift) }

        turned_over(job, apply(job)) ? ["that far the cage would turn some of the surface over; move the handle less"] : []
      end

      def apply(job)
        rows_of = job.layout.uv_map.points_of(islands)
        boxes = job.layout.boxes_px[islands, true]
        box = [boxes[true, 0].min, boxes[true, 1].min, boxes[true, 2].max, boxes[true, 3].max]
        px = job.layout.points_px.copy
        px[rows_of, true] = Geometry::Cage.call(px[rows_of, true], box, columns: columns, rows: rows, shifts: shifts)
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(px))
      end

      def describe(job, after)
        most = shifts.map { |shift| Math.hypot(*shift) }.max
        stretch = [job, after].map { |one| one.measures.values_at(*islands).map { |measure| measure.stretch_mean || Float::INFINITY }.max }
        "#{Words.islands(job, islands)} bent by #{Words.px(most)} at a handle: mean stretch #{stretch.map { |value| format("%.3f", value) }.join(" -> ")}"
      end

      private

      def pair?(shift) = shift.is_a?(Array) && shift.size == 2 && shift.all? { |value| value.is_a?(Numeric) && value.to_f.abs <= 100_000 }

      def turned_over(job, bent)
        islands.any? do |island|
          before, after = [job, bent].map { |one| ways(one, island) }
          (after - before).any?
        end
      end

      # @return [Array<Integer>] 1 and -1, which ways triangles of an island are turned
      def ways(job, island)
        areas = job.layout.uv_map.signed_areas(job.layout.points_px, job.layout.uv_map.island_triangles[island])
        [(1 if areas.gt(0).any?), (-1 if areas.lt(0).any?)].compact
      end
    end
  end
end
