# frozen_string_literal: true

module SheetTrace
  module Operations
    # Turns islands so that model-up points to the top of the sheet, each about its own centre; one that comes to lie on another goes on to a free place.
    #
    # islands [Array<Integer>]
    TurnUpright = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands)].compact

      def apply(job) = job.with(layout: Each.settle(job, islands) { |island| Geometry::Affine.turn(-job.measures[island].up_angle_rad) })

      def describe(job, _after) = "#{Words.islands(job, islands)} turned upright"
    end
  end
end
