# frozen_string_literal: true

module SheetTrace
  module Operations
    # Turns islands so that model-up points to the top of the sheet, each about its own centre; one that comes to lie
    # on another goes on to a free place.
    class TurnUpright < Operation
      islands

      def call(job)
        layout =
          EachIsland.to_free_places(job, islands) { |island| Geometry::Affine.turn(-job.measures[island].up_angle_rad) }
        change(job.with(layout: layout), "#{Phrases.islands(job, islands)} turned upright")
      end
    end
  end
end
