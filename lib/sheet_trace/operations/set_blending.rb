# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what layers are blended by.
    class SetBlending < Operation
      flag :linear, "in linear light, as colours mix that are seen from afar; by their values in sRGB if false"

      def call(job)
        change(
          job.with(artwork: job.artwork.with(linear: linear)),
          "Layers blended #{linear ? "in linear light" : "by sRGB values"}"
        )
      end
    end
  end
end
