# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what of the sheet is kept free by packing: a margin along its border, and rectangles. What is nil stays as
    # it is.
    class PlanSheet < Operation
      number :margin_px, 0..(Layout::Sheet::SIDE_PX.end / 2), optional: true
      list :reserved,
           Parameters::Rectangle.new,
           "left, top, width and height of each, px",
           entry: "rectangle",
           optional: true

      def call(job)
        most = ([job.sheet.width_px, job.sheet.height_px].min / 2.0).floor
        refuse("margin is #{margin_px}; give a number from 0 to #{most}") if margin_px && margin_px > most

        plan = job.plan.with(**to_h.compact)
        reserved_words = plan.reserved.empty? ? "nothing" : Phrases.count(plan.reserved.size, "rectangle")
        change(job.with(plan: plan), "Margin #{Phrases.px(plan.margin_px)}, #{reserved_words} reserved")
      end
    end
  end
end
