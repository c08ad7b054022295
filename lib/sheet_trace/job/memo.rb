# frozen_string_literal: true

module SheetTrace
  class Job
    # What is worked out from a job when it is first asked for. It goes along to the jobs made from it, as far as
    # their changes leave it true.
    class Memo
      # What follows from the surface and its unit alone.
      OF_SURFACE = %i[flat_maps canvas map_seams round_spots strips].freeze
      private_constant :OF_SURFACE

      def initialize(kept = {})
        @kept = kept
      end

      # @return [Object] what the block gave when it was asked first
      def fetch(name) = @kept.fetch(name) { @kept[name] = yield }

      # @return [Object, nil] if it is worked out already
      def [](name) = @kept[name]

      # @param job [Job] that this is of; changes [Hash] of its parts
      # @return [Memo] for the job with these changes
      def after(job, changes)
        same_surface =
          !changes.key?(:unit_mm) && (!changes.key?(:layout) || changes[:layout].uv_map.equal?(job.layout.uv_map))
        return Memo.new unless same_surface

        Memo.new(
          {
            **@kept.slice(*OF_SURFACE),
            known_measures: @kept[:measures] ? [job.layout, @kept[:measures]] : @kept[:known_measures]
          }
        )
      end
    end
  end
end
