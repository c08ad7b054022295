# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts a corrected or changed model in the place of the job's: what lies where it lay keeps its place on the sheet,
    # its names, seams and art; what is new waits beside the sheet for its place.
    class ReviseModel < Operation
      parameter :file,
                References::Upload.new("model file") { |own| own.is_a?(Job::ModelFile) },
                "the new model, as it was brought in"
      number :tolerance_mm,
             0.0..1_000_000.0,
             "how far a face may have moved and be the same; as goes if nil",
             optional: true
      # Faces of the new model that are as they were, that moved, and that are new; faces of the old one that are gone.
      fact :kept, Parameters::Whole.new(0..10_000_000)
      fact :moved, Parameters::Whole.new(0..10_000_000)
      fact :added, Parameters::Whole.new(0..10_000_000)
      fact :lost, Parameters::Whole.new(0..10_000_000)
      # What else differs, a sentence each.
      fact :lines, Parameters::ListOf.new(Parameters::Text.new(2000))

      def call(job)
        found = Job::Revised.call(job, file.reading, name: file.name, tolerance_mm: tolerance_mm)
        counts = { kept: found.kept.size, moved: found.moved.size, added: found.added.size, lost: found.lost.size }
        change(
          found.job,
          "#{file.name} in the place of #{job.source.name}: #{Phrases.count(counts[:kept], "face")} kept, " \
            "#{counts[:moved]} moved, #{counts[:added]} new, #{counts[:lost]} gone",
          **counts,
          lines: [
            *of_unit(found.scale),
            *Job::Differences.call(job, found.job),
            *found.job.dropped.map { |what| "Lost: #{what}" }
          ]
        )
      end

      private

      def of_unit(scale)
        scale == 1 ? [] : ["It is in another unit: its lengths were multiplied by #{format("%.6g", scale)}"]
      end
    end
  end
end
