# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says how long a unit of the model is.
    class SetUnit < Operation
      number :unit_mm, Job::UNIT_MM, "mm of one unit", label: "one unit"

      def call(job)
        change(job.with(unit_mm: unit_mm.to_f), "One model unit: #{Phrases.mm(job.unit_mm)} -> #{Phrases.mm(unit_mm)}")
      end
    end
  end
end
