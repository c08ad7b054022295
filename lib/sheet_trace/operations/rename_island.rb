# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives an island a name of the painter's own.
    #
    # island [Integer]; name [String] 1 to 80 characters
    RenameIsland = Struct.new(:island, :name, keyword_init: true) do
      def initialize(island:, name:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.island(job, island) || Checks.text(name, "the name")
        return [problem] if problem

        taken = job.island_names.index(name.strip)
        taken && taken != island ? ["another island is called #{name.strip.inspect}; give each a name of its own"] : []
      end

      def apply(job) = job.with(given_names: job.given_names.merge(island => name.strip))

      def describe(job, _after) = "#{job.island_names[island]} is now called #{name.strip}"
    end
  end
end
