# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The preflight report of a job.
    module PreflightJson
      # Places and faces named at the most; a mend still covers them all.
      MOST_PLACES = 200
      MOST_FACES = 5000
      private_constant :MOST_PLACES, :MOST_FACES

      shape = Shape
      SEVERITY = shape.one_of(*SheetTrace::Check::SEVERITIES)
      PLACE =
        Shape::Record.new(
          "Place",
          text: shape::TEXT,
          islands: shape::NUMBER.list,
          faces: shape::NUMBER.list,
          numbers: shape::ANY.by_name
        )
      MEND =
        Shape::Record.new(
          "Mend",
          label: shape::TEXT,
          operation:
            Shape.new("OperationName") do |name|
              SheetTrace::Operations::NAMES.names.include?(name) ? nil : "is no operation"
            end,
          parameters: [shape::ANY.by_name, "of the operation"]
        )
      FINDING =
        Shape::Record.new(
          "Finding",
          index: shape::NUMBER,
          code: shape::TEXT,
          severity: SEVERITY,
          message: shape::TEXT,
          meaning: shape::TEXT,
          count: [shape::NUMBER, "places there are; those listed may be fewer"],
          places: PLACE.list,
          mend: MEND.or_null
        )
      COUNTS =
        Shape::Record.new(
          "FindingCounts",
          **SheetTrace::Check::SEVERITIES.to_h { |severity| [severity.to_sym, shape::NUMBER] }
        )
      SHAPE = Shape::Record.new("Preflight", findings: FINDING.list, counts: COUNTS)
      SHAPES = [PLACE, MEND, FINDING, COUNTS, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @return [Hash]
      def self.call(job, pictures)
        findings = job.findings(pictures: pictures)
        {
          findings: findings.each_with_index.map { |finding, index| finding(finding, index) },
          counts:
            SheetTrace::Check::SEVERITIES.to_h do |severity|
              [severity.to_sym, findings.count { |finding| finding.severity == severity }]
            end
        }
      end

      def self.finding(finding, index)
        {
          index: index,
          code: finding.code,
          severity: finding.severity,
          message: finding.message,
          meaning: finding.meaning,
          count: finding.places.size,
          places:
            finding
              .places
              .first(MOST_PLACES)
              .map do |place|
                {
                  text: place.text,
                  islands: place.islands,
                  faces: place.faces.first(MOST_FACES),
                  numbers: place.numbers
                }
              end,
          mend:
            finding.mend &&
              { label: finding.mend.label, operation: finding.mend.operation, parameters: plain(finding.mend) }
        }
      end

      def self.plain(mend) = SheetTrace::Operations::NAMES.fetch(mend.operation).to_plain(mend.parameters)
      private_class_method :finding, :plain
    end
  end
end
