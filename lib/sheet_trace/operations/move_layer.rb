# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves a layer in the order of layers.
    #
    # id [String]; to [Integer] its new place, 0 the lowest
    MoveLayer = Struct.new(:id, :to, keyword_init: true) do
      def initialize(id:, to:)
        super
        freeze
      end

      def validate(job)
        last = job.edition.layers.size - 1
        [Checks.layer(job, id), to.is_a?(Integer) && to.between?(0, last) ? nil : "place #{to.inspect} does not exist; give 0 to #{last}"].compact
      end

      def apply(job)
        layer = job.edition.layer(id)
        others = job.edition.layers - [layer]
        job.with(edition: job.edition.with(layers: others.insert(to, layer)))
      end

      def describe(job, _after) = "#{job.edition.layer(id).name}: layer #{to + 1} of #{job.edition.layers.size} from below"
    end
  end
end
