# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says how long a unit of the model is.
    #
    # unit_mm [Float] a millionth to a million
    SetUnit = Struct.new(:unit_mm, keyword_init: true) do
      def initialize(unit_mm:)
        super
        freeze
      end

      def validate(_job) = [Checks.number(unit_mm, "one unit", Job::UNIT_MM)].compact

      def apply(job) = job.with(unit_mm: unit_mm.to_f)

      def describe(job, after)
        "One model unit: #{Words.mm(job.unit_mm)} -> #{Words.mm(after.unit_mm)}"
      end
    end
  end
end
