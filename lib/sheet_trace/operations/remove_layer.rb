# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes a layer away. Its picture stays with the job, for undo and for another layer.
    #
    # id [String]
    RemoveLayer = Struct.new(:id, keyword_init: true) do
      def initialize(id:)
        super
        freeze
      end

      def validate(job) = [Checks.layer(job, id)].compact

      def apply(job) = job.with(edition: job.edition.with(layers: job.edition.layers.reject { |layer| layer.id == id }))

      def describe(job, after) = "#{job.edition.layer(id).name} removed, #{after.edition.layers.size} layers left"
    end
  end
end
