# frozen_string_literal: true

require "pqueue"

module SheetTrace
  # The preflight: what is wrong with a model and its map, or worth knowing, before paint is spent on it.
  # One check a file; it returns findings and never raises for a bad layout. A new one is a file and a line here.
  module Check
    CHECKS =
      Registry.new(
        "check",
        %w[
          FacesWithoutUvs
          OffSheet
          Overlaps
          FoldOver
          FlatOnSheet
          StrayFaces
          Mirrored
          LetteringOnTwins
          NotUpright
          CellBorders
          Gutter
          Margin
          Density
          Stretch
          Normals
          CrowdedEdges
          SamePlace
          DuplicateVertices
          FlatFaces
          EmptyParts
        ].to_h { |constant| [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Check::#{constant}"] }
      )

    # The worst first.
    SEVERITIES = %w[error warning hint].freeze

    # One place that a finding speaks of.
    #
    # text [String] the place with its numbers; islands, faces [Array<Integer>]; numbers [Hash] the figures by name
    Place =
      Struct.new(:text, :islands, :faces, :numbers, keyword_init: true) do
        def initialize(text:, islands: [], faces: [], numbers: {})
          super
          freeze
        end
      end

    # What does away with a finding in one step.
    #
    # label [String] for a button; operation [String] its name; parameters [Hash]
    Mend =
      Struct.new(:label, :operation, :parameters, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end
      end

    # Something a check found.
    #
    # code [String]; severity [String] of SEVERITIES; message [String] what is so; meaning [String] what it does to
    # the art
    # places [Array<Place>]; mend [Mend, nil]
    Finding =
      Struct.new(:code, :severity, :message, :meaning, :places, :mend, keyword_init: true) do
        def initialize(mend: nil, **rest)
          super
          freeze
        end
      end

    # @return [String] such as "1 face" or "3 faces"
    def self.count(number, noun, plural = "#{noun}s") = "#{number} #{number == 1 ? noun : plural}"

    # Few islands of which every pair has one: the one with most partners first, the later one where they are equal.
    #
    # @param pairs [Array<Array(Integer, Integer)>]
    # @return [Array<Integer>]
    def self.fewest(pairs)
      partners = Hash.new { |all, island| all[island] = [] }
      pairs.each { |a, b| [[a, b], [b, a]].each { |island, other| partners[island] << other } }
      left = partners.transform_values(&:size)
      queue = PQueue.new(left.map { |island, count| [count, island] })
      picked = []
      until queue.empty?
        count, island = queue.pop
        next if count.zero? || left[island] != count # it was counted anew since

        picked << island
        left[island] = 0
        partners[island].each do |other|
          next if left[other].zero?

          left[other] -= 1
          queue.push([left[other], other])
        end
      end
      picked
    end

    # @param subject [Subject]
    # @return [Array<Finding>] the worst first
    def self.call(subject)
      found = Progress.map(CHECKS.names) { |name| CHECKS.fetch(name).call(subject) }.flatten(1)
      found.each_with_index.sort_by { |finding, i| [SEVERITIES.index(finding.severity), i] }.map(&:first)
    end
  end
end
