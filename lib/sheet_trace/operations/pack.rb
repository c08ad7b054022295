# frozen_string_literal: true

module SheetTrace
  module Operations
    # Packs islands on the sheet by their true outlines. Those that lie on each other to the point are moved as one;
    # locked islands and
    # reserved rectangles are left as they are.
    class Pack < Operation
      # Less is rounding.
      NEAR_PX = 1e-6
      private_constant :NEAR_PX

      islands :islands, "that are packed, all that are not locked if nil; the rest stays in place", optional: true
      one_of :turn, Layout::Pack::TURNS, default: "quarter"
      flag :upright, "whether islands with art are never turned; if nil, where turns are not free", optional: true
      flag :keep_scale, "or else all is scaled together, as large as it goes", default: false
      number :gutter_px, Job::GUTTER_PX, "as the job has it if nil", optional: true
      number :margin_px, 0..1024, "as planned if nil", optional: true
      flag :in_order,
           "whether islands are placed in the order they are read in, front before back, left before right",
           default: false
      whole :attempt, 0..9999, "another order for each number; the same number gives the same layout", default: 0
      fact :attempt, Parameters::Whole.new(0..9999)
      fact :share_used, Parameters::Number.new(0..1)
      fact :density_px_per_mm, Parameters::Number.new(0..1e9)
      fact :best, Parameters::Flag.new

      def call(job)
        units = units(job)
        result = packed(job, units)
        after = job.with(layout: result.layout)
        used = [job, after].map { |state| Layout::Summary.call(state.layout, unit_mm: state.unit_mm).used * 100 }
        density = [job, after].map { |state| Phrases.short(state.density_px_per_mm) }.uniq.join(" -> ")
        stay = result.layout.equal?(job.layout) ? " as they lay, as no packing came out larger" : ""
        change(
          after,
          "#{Phrases.count(units.flatten.size, "island")} packed#{stay}: " \
            "#{used.map { |value| format("%.0f", value) }.join(" -> ")} % of the sheet used, #{density} px/mm",
          attempt: attempt,
          share_used: result.share_used,
          density_px_per_mm: after.density_px_per_mm,
          best: true
        )
      end

      # Attempts one after the other, each to be taken as it is by its number.
      #
      # @yieldparam after [Job]
      # @yieldparam facts [Hash] attempt:, share_used:, density_px_per_mm:, best: whether it is the best so far
      # @yieldreturn [Boolean] whether to go on
      def watch(job)
        units = units(job)
        most = 0.0
        attempts(units.size).times do |number|
          result =
            Progress.part(number.fdiv(attempts(units.size)), (number + 1).fdiv(attempts(units.size))) do
              with(attempt: number).packed(job, units)
            end
          after = job.with(layout: result.layout)
          facts = {
            attempt: number,
            share_used: result.share_used,
            density_px_per_mm: after.density_px_per_mm,
            best: result.scale > most
          }
          most = [most, result.scale].max
          break unless yield(after, facts)
        end
      end

      # @return [Hash] the facts of the best of all attempts: the one at which the islands come out largest
      def best(job)
        found = nil
        watch(job) { |_after, facts| facts[:best] ? found = facts : true }
        found
      end

      protected

      def packed(job, units)
        found = search(job, units)
        # Smaller than they are, and they lie well: they stay, unless the order is what is wanted.
        return found if found.scale >= 1 || in_order || !well?(job, units.flatten)

        Layout::Pack::Result.new(layout: job.layout, scale: 1.0, share_used: found.share_used / (found.scale**2))
      end

      private

      # Whether islands lie on the sheet, clear of its margin, of others and of what is reserved.
      def well?(job, moved)
        margin = margin_px || job.plan.margin_px
        boxes = job.layout.boxes_px[moved, true].to_a
        inside =
          boxes.all? do |left, top, right, bottom|
            [left, top, job.sheet.width_px - right, job.sheet.height_px - bottom].min >= margin - NEAR_PX
          end
        inside && boxes.none? { |box| job.plan.reserved.any? { |room| meet?(box, room) } } &&
          apart?(job, gutter_px || job.gutter_px)
      end

      def meet?((left, top, right, bottom), (x, y, width, height))
        left < x + width && right > x && top < y + height && bottom > y
      end

      def apart?(job, gutter)
        Layout::NearBoxes
          .call(job.layout.boxes_px, gutter)
          .all? do |island|
            gap = Layout::Clearance.call(job.layout, Layout::Stacks.of(job.layout, [island]).flatten).gap_px
            gap.nil? || (gap > gutter - NEAR_PX && gap.positive?)
          end
      end

      def search(job, units)
        Layout::Pack.call(
          job.layout,
          units,
          gutter_px: gutter_px || job.gutter_px,
          margin_px: margin_px || job.plan.margin_px,
          turn: turn,
          upright: kept_upright? ? job.art_islands : [],
          keep_scale: keep_scale,
          reserved: job.plan.reserved,
          fixed: (0...job.layout.uv_map.island_count).to_a - units.flatten,
          in_order: in_order,
          attempt: attempt
        )
      end

      def kept_upright? = upright.nil? ? turn != "free" : upright

      # Another attempt at a kept scale, or in a kept order, would be the same or no better.
      def attempts(count) = keep_scale || in_order ? 1 : Layout::Pack.attempts(count)

      def reading_order(job)
        Layout::ReadingOrder.call(job.layout, job.tags, names: job.island_names, plan: job.plan)
      end

      # Stacks that are moved as one.
      def units(job)
        wanted = (islands || (0...job.layout.uv_map.island_count).to_a) - job.plan.locked
        stacks = in_order ? reading_order(job) : Layout::Stacks.call(job.layout)
        found = stacks.select { |stack| (stack & wanted).any? && (stack & job.plan.locked).empty? }
        found.empty? ? refuse("all islands are locked; unlock those that shall be packed") : found
      end
    end
  end
end
