# frozen_string_literal: true

module SheetTrace
  module Operations
    # Removes a layout that was kept.
    class DropKeptMap < Operation
      kept_map :index

      def call(job)
        change(
          job.with(kept_maps: job.kept_maps.reject.with_index { |_kept, i| i == index }),
          "#{job.kept_maps[index].name} forgotten"
        )
      end
    end
  end
end
