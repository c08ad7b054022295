# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What each way to show another underlay would bring.
    module SwapJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "Swap",
          size_px: shape::PAIR,
          former_px: shape::PAIR.or_null,
          same: [shape::FLAG, "as many px as the one shown"],
          stretch: [shape::NUMBER, "of its px, over the whole sheet"],
          lost: [shape::NUMBER, "share of it that would lie beside the sheet at its own scale"],
          kept_box: shape::NUMBER.times(4),
          followers: [shape::NUMBER, "islands that could go along to the same cells"]
        )
      SHAPES = [SHAPE].freeze

      # @param job [SheetTrace::Job]; underlay [SheetTrace::Fit::Underlay]
      def self.call(job, underlay) =
        SheetTrace::Fit::Swap
          .prospect(job.fit_setup, underlay, job.layout)
          .then { |prospect| { **prospect.to_h, same: prospect.same } }
    end
  end
end
