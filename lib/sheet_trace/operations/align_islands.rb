# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands into line by their boxes, twins that lie on them along with them, or spreads them so that the
    # gaps between them are equal.
    class AlignIslands < Operation
      # Axis, and what comes into line.
      WAYS = {
        "left" => [0, :low],
        "centre" => [0, :middle],
        "right" => [0, :high],
        "top" => [1, :low],
        "middle" => [1, :middle],
        "bottom" => [1, :high],
        "spread_across" => [0, :gaps],
        "spread_down" => [1, :gaps]
      }.freeze

      islands :islands, "two or more, to be spread three or more"
      one_of :by,
             WAYS.keys,
             "the side or middle that comes into line with that of the box round all, or the direction they are " \
               "spread in"

      def call(job)
        axis, where = WAYS[by]
        least, word = where == :gaps ? [3, "three"] : [2, "two"]
        refuse("pick #{word} or more islands") if islands.uniq.size < least

        boxes =
          Layout::Stacks
            .of(job.layout, islands)
            .to_h { |stack| [stack, job.layout.boxes_px[stack.first, true].to_a.values_at(axis, axis + 2)] }
        layout =
          (where == :gaps ? spread(boxes) : into_line(boxes, where)).reduce(job.layout) do |so_far, (stack, by_px)|
            so_far.place(stack, Geometry::Affine.move(*(axis.zero? ? [by_px, 0] : [0, by_px])))
          end
        change(
          job.with(layout: layout),
          "#{Phrases.islands(job, islands)} " \
            "#{where == :gaps ? "spread #{by.delete_prefix("spread_")}" : "brought into line: #{by}"}"
        )
      end

      private

      def into_line(boxes, where)
        low = boxes.values.map(&:first).min
        high = boxes.values.map(&:last).max
        boxes.transform_values do |from, to|
          { low: low - from, high: high - to, middle: ((low + high) / 2) - ((from + to) / 2) }.fetch(where)
        end
      end

      # The outermost stay where they are.
      def spread(boxes)
        order = boxes.sort_by { |_stack, (from, to)| from + to }
        free = order.last[1][1] - order.first[1][0] - order.sum { |_stack, (from, to)| to - from }
        gap = free / (order.size - 1)
        at = order.first[1][0]
        order.to_h { |stack, (from, to)| [stack, at - from].tap { at += to - from + gap } }
      end
    end
  end
end
