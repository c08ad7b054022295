# frozen_string_literal: true

module SheetTrace
  module Operations
    # Reflects islands left to right as the model stands, each about its own centre: model-up keeps its direction.
    class ReflectIslands < Operation
      islands

      def call(job)
        after =
          job.with(
            layout:
              EachIsland.place(job, islands) do |island|
                up = job.measures[island].up_angle_rad
                Geometry::Affine.turn(up) * Geometry::Affine.scale(-1, 1) * Geometry::Affine.turn(-up)
              end
          )
        mirrored = islands.count { |island| after.measures[island].mirrored }
        change(
          after,
          "#{Phrases.islands(job, islands)} reflected, " \
            "#{mirrored.zero? ? "now reading right" : "#{mirrored} now reading mirrored"}"
        )
      end
    end
  end
end
