# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far islands shall stay inside their cells, so that no rim of a neighbour's colour shows.
    #
    # inset_px [Numeric] px of the sheet
    SetInset = Struct.new(:inset_px, keyword_init: true) do
      def initialize(inset_px:)
        super
        freeze
      end

      def validate(_job) = [Checks.number(inset_px, "inset", 0..1000)].compact
      def apply(job) = job.with(backdrop: job.backdrop.with(inset_px: inset_px))
      def describe(_job, _after) = "Inset: #{Words.px(inset_px)} inside cells"
    end
  end
end
