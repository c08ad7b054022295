# frozen_string_literal: true

module SheetTrace
  module Operations
    # Adds a step to an underlay's corrections, as a hand drew it on the sheet; what was not drawn is as it usually
    # serves.
    class AddCorrection < Operation
      underlay :index
      one_of :step, Raster::Corrections::STEPS.names
      list :places_px,
           Parameters::Numbers.new(2),
           "px of the sheet: for straighten the corners, clockwise from the top left; for trim two opposite corners " \
             "of what is kept; for leave_out two opposite corners of the strip; else none",
           sizes: 0..4,
           entry: "place",
           default: []

      def call(job)
        underlay = job.fit_setup.underlays[index]
        places = underlay.on_picture(places_px, job.sheet)
        begun = Raster::Corrections.begun(step, underlay.size_px, places)
        CorrectUnderlay.new(index: index, recipe: [*underlay.recipe, begun]).call(job)
      end
    end
  end
end
