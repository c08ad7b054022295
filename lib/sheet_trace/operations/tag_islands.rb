# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says whether islands carry art, and so need room and no stretch, or are plain.
    #
    # islands [Array<Integer>]; tag [String] of Job::TAGS
    TagIslands = Struct.new(:islands, :tag, keyword_init: true) do
      def initialize(islands:, tag:)
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands), Job::TAGS.include?(tag) ? nil : "tag is #{tag.inspect}; give #{Job::TAGS.join(" or ")}"].compact
      end

      def apply(job)
        tags = islands.reduce(job.given_tags) { |given, island| tag == "art" ? given.except(island) : given.merge(island => tag) }
        job.with(given_tags: tags)
      end

      def describe(job, _after) = "#{Words.islands(job, islands)} tagged #{tag}"
    end
  end
end
