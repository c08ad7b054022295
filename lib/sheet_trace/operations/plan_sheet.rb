# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what of the sheet is kept free by packing: a margin along its border, and rectangles. What is nil stays as it is.
    #
    # margin_px [Numeric, nil]; reserved [Array<Array(Numeric, Numeric, Numeric, Numeric)>, nil] left, top, width and height of each, px
    PlanSheet = Struct.new(:margin_px, :reserved, keyword_init: true) do
      def initialize(margin_px: nil, reserved: nil)
        super
        freeze
      end

      def validate(job)
        [Checks.optional(margin_px, "margin", 0..([job.sheet.width_px, job.sheet.height_px].min / 2.0).floor), *rectangle_problems].compact
      end

      def apply(job) = job.with(plan: job.plan.with(**to_h.compact))

      def describe(_job, after)
        plan = after.plan
        "Margin #{Words.px(plan.margin_px)}, #{plan.reserved.empty? ? "nothing" : Words.count(plan.reserved.size, "rectangle")} reserved"
      end

      private

      def rectangle_problems
        return [] if reserved.nil?
        return ["reserved is #{reserved.inspect.slice(0, 60)}; give a list of rectangles"] unless reserved.is_a?(Array)

        reserved.filter_map do |box|
          next if box.is_a?(Array) && box.size == 4 && box.all? { |px| px.is_a?(Numeric) && px.to_f.finite? && px.abs <= 100_000 } && box.last(2).all?(&:positive?)

          "a reserved rectangle is #{box.inspect.slice(0, 60)}; give left, top, width and height in px"
        end
      end
    end
  end
end
