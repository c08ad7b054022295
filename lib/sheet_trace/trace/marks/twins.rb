# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Islands that share one place are hatched, so that nothing is lettered on them that must not show twice.
      module Twins
        HATCHES = 12 # along the shorter side
        private_constant :HATCHES

        # @param subject [Subject]
        # @return [Array<Drawing::Area>]
        def self.call(subject)
          subject
            .stacks
            .select { |stack| stack.size > 1 }
            .map do |stack|
              left, top, right, bottom = subject.box(stack.first)
              Drawing::Area.new(
                loops: subject.loops(stack.first),
                color: Marks.color(subject),
                opacity: 0.35,
                hatch_px: [[right - left, bottom - top].min / HATCHES, 4.0].max
              )
            end
        end
      end
    end
  end
end
