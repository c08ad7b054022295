# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives an island a name of the painter's own.
    class RenameIsland < Operation
      island
      text :name

      def call(job)
        taken = job.island_names.index(name)
        refuse("another island is called #{name.inspect}; give each a name of its own") if taken && taken != island

        change(
          job.with(given_names: job.given_names.merge(island => name)),
          "#{job.island_names[island]} is now called #{name}"
        )
      end
    end
  end
end
