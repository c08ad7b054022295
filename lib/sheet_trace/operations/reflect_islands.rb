# frozen_string_literal: true

module SheetTrace
  module Operations
    # Reflects islands left to right as the model stands, each about its own centre: model-up keeps its direction.
    #
    # islands [Array<Integer>]
    ReflectIslands = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands)].compact

      def apply(job)
        job.with(layout: Each.place(job, islands) do |island|
          up = job.measures[island].up_angle_rad
          Geometry::Affine.turn(up) * Geometry::Affine.scale(-1, 1) * Geometry::Affine.turn(-up)
        end)
      end

      def describe(job, after)
        mirrored = islands.count { |island| after.measures[island].mirrored }
        "#{Words.islands(job, islands)} reflected, #{mirrored.zero? ? "now reading right" : "#{mirrored} now reading mirrored"}"
      end
    end
  end
end
