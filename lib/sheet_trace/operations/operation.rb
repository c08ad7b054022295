# frozen_string_literal: true

module SheetTrace
  module Operations
    # What every operation is: a class whose parameters are declared once, with one call that does the work once.
    #
    #   class SetUnit < Operation
    #     number :unit_mm, Job::UNIT_MM, "length of a model unit"
    #
    #     def call(job)
    #       change(job.with(unit_mm: unit_mm.to_f), "One model unit: ...")
    #     end
    #   end
    class Operation < Parameters::Declared
      # What a call gives: the new job, one sentence for the history, and what panels and previews show of it beside.
      Change =
        Struct.new(:job, :sentence, :facts, keyword_init: true) do
          def with(**changes) = self.class.new(**to_h, **changes)
        end

      class << self
        # @return [Hash{Symbol => Parameters::Type}] what a change tells beside its sentence
        def facts = @facts ||= {}

        # Declares something that a change tells.
        def fact(name, type) = facts[name] = type

        # @return [String] what the operation goes by in JSON
        def plain_name = name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase

        # A declaration for lists of records, with the words of the job.
        def record(&) = References.record(&)
      end

      # @param job [Job]
      # @return [Change]
      # @raise [InputError] if it can't be done to this job
      def call(job) = raise NotImplementedError

      # What is drawn of a step that is watched.
      #
      # @param after [Job]
      # @return [Numo::DFloat] n x 4 px: both ends of lines on the sheet
      def lines_px(after) = Preview.lines(after.layout, (0...after.layout.uv_map.island_count).to_a)

      private

      def change(job, sentence, **facts) = Change.new(job: job, sentence: sentence, facts: facts)

      # @raise [InputError]
      def refuse(why) = raise InputError, why

      # Others of these, done on the way; only the last one's sentence counts.
      def done(operation, job) = operation.call(job).job

      # @return [Array<Float>] the largest stretch of some islands before and after; endless where one has no area
      def stretches(before, after, islands, member)
        [before, after].map do |job|
          job.measures.values_at(*islands).map { |measure| measure[member] || Float::INFINITY }.max
        end
      end
    end
  end
end
