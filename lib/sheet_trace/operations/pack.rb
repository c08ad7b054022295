# frozen_string_literal: true

module SheetTrace
  module Operations
    # Packs islands on the sheet by their true outlines. Those that lie on each other to the point are moved as one; locked islands and
    # reserved rectangles are left as they are.
    #
    # islands [Array<Integer>, nil] that are packed, all that are not locked if nil; the rest stays in place
    # turn [String] of Layout::Pack::TURNS; upright [Boolean] whether islands with art are never turned
    # keep_scale [Boolean] or else all is scaled together, as large as it goes
    # gutter_px, margin_px [Numeric, nil] as the job has them if nil
    # in_order [Boolean] whether islands are placed in the order they are read in, front before back, left before right
    # attempt [Integer] another order for each number; the same number gives the same layout
    Pack = Struct.new(:islands, :turn, :upright, :keep_scale, :gutter_px, :margin_px, :in_order, :attempt, keyword_init: true) do
      def initialize(islands: nil, turn: "quarter", upright: true, keep_scale: false, gutter_px: nil, margin_px: nil, in_order: false, attempt: 0)
        super
        freeze
      end

      def validate(job)
        problems = [islands && Checks.islands(job, islands), Checks.one_of(turn, "turn", Layout::Pack::TURNS), Checks.flag(upright, "upright"),
                    Checks.flag(keep_scale, "keep_scale"),
                    Checks.flag(in_order, "in_order"), Checks.optional(gutter_px, "gutter", 0..1024), Checks.optional(margin_px, "margin", 0..1024),
                    Checks.number(attempt, "attempt", 0..9999)].compact
        return problems if problems.any?

        packed(job).empty? ? ["all islands are locked; unlock those that shall be packed"] : []
      end

      def apply(job) = job.with(layout: pack(job).layout)

      # @return [Layout::Pack::Result]
      def pack(job)
        art = job.tags.each_index.select { |island| job.tags[island] == "art" }
        Layout::Pack.call(job.layout, packed(job), gutter_px: gutter_px || job.gutter_px, margin_px: margin_px || job.plan.margin_px, turn: turn,
                                                   upright: upright ? art : [], keep_scale: keep_scale, fixed: fixed(job), reserved: job.plan.reserved,
                                                   in_order: in_order, attempt: attempt)
      end

      def describe(job, after)
        used, density = [job, after].map { |one| [Layout::Summary.call(one.layout, unit_mm: one.unit_mm).used * 100, one.density_px_per_mm] }.transpose
        told = density.map { |value| Words.short(value) }.uniq
        "#{Words.count(packed(job).flatten.size, "island")} packed: #{used.map { |value| format("%.0f", value) }.join(" -> ")} % of the sheet used, " \
          "#{told.size == 1 ? told[0] : told.join(" -> ")} px/mm"
      end

      private

      def packed(job)
        wanted = (islands || (0...job.layout.uv_map.island_count).to_a) - job.plan.locked
        stacks = in_order ? Layout::ReadingOrder.call(job.layout, job.tags) : Layout::Stacks.call(job.layout)
        stacks.select { |stack| (stack & wanted).any? && (stack & job.plan.locked).empty? }
      end

      def fixed(job) = (0...job.layout.uv_map.island_count).to_a - packed(job).flatten
    end
  end
end
