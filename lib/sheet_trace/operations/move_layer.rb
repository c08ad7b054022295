# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves a layer in the order of layers.
    class MoveLayer < Operation
      layer
      whole :to, 0..10_000, "its new place, 0 the lowest", label: "place"

      def call(job)
        layers = job.artwork.layers
        refuse("place #{to} does not exist; give 0 to #{layers.size - 1}") if to >= layers.size

        layer = job.artwork.layer(id)
        change(
          job.with(artwork: job.artwork.moved(id, to)),
          "#{layer.name}: layer #{to + 1} of #{layers.size} from below"
        )
      end
    end
  end
end
