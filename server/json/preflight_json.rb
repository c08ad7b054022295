# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The preflight report of a job.
    module PreflightJson
      # Places and faces named at the most; a mend still covers them all.
      MOST_PLACES = 200
      MOST_FACES = 5000
      private_constant :MOST_PLACES, :MOST_FACES

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        { findings: job.findings.each_with_index.map { |finding, index| finding_json(finding, index) },
          counts: SheetTrace::Check::SEVERITIES.to_h { |severity| [severity, job.findings.count { |finding| finding.severity == severity }] } }
      end

      def self.finding_json(finding, index)
        { index: index, code: finding.code, severity: finding.severity, message: finding.message, meaning: finding.meaning, count: finding.places.size,
          places: finding.places.first(MOST_PLACES).map do |place|
            { text: place.text, islands: place.islands, faces: place.faces.first(MOST_FACES), numbers: place.numbers }
          end,
          mend: finding.mend && { label: finding.mend.label, operation: finding.mend.operation, parameters: finding.mend.parameters } }
      end
      private_class_method :finding_json
    end
  end
end
