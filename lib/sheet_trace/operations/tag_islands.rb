# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says whether islands carry art, and so need room and no stretch, or are plain.
    class TagIslands < Operation
      islands
      one_of :tag, Job::TAGS

      def call(job)
        tags =
          islands.reduce(job.given_tags) do |given, island|
            tag == "art" ? given.except(island) : given.merge(island => tag)
          end
        change(job.with(given_tags: tags), "#{Phrases.islands(job, islands)} tagged #{tag}")
      end
    end
  end
end
