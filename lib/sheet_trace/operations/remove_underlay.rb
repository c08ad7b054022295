# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes an underlay out of the list, with its cells. The picture itself stays with the job.
    #
    # index [Integer]
    RemoveUnderlay = Struct.new(:index, keyword_init: true) do
      def initialize(index:)
        super
        freeze
      end

      def validate(job)
        [Checks.entry(index, job.backdrop.underlays, "underlay") || Checks.unlocked(job, index)].compact
      end

      def apply(job)
        backdrop = job.backdrop
        shown = backdrop.shown
        now = if shown == index
                nil
              else
                shown && (shown > index ? shown - 1 : shown)
              end
        job.with(backdrop: backdrop.with(underlays: backdrop.underlays.reject.with_index { |_one, i| i == index }, shown: now))
      end

      def describe(job, _after) = "#{job.backdrop.underlays[index].name} removed from the underlays"
    end
  end
end
