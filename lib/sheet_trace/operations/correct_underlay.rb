# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives an underlay another recipe of corrections. Its file stays as it is; cells go where the corrected picture
    # has other px.
    class CorrectUnderlay < Operation
      underlay :index
      list :recipe,
           Raster::Corrections::Step.new,
           "steps, done one after the other",
           sizes: 0..Raster::Corrections::MOST_STEPS,
           entry: "step"

      def call(job)
        before = job.fit_setup.underlays[index]
        refuse("#{before.name} is locked; unlock it first") if before.locked

        Raster::Corrections.validated_sizes(recipe, before.picture_px)
        corrected = before.with(recipe: recipe)
        corrected = corrected.with(cells: []) if corrected.size_px != before.size_px
        gone = before.cells.size - corrected.cells.size
        steps = recipe.empty? ? "as its file has it" : recipe.map { |step| step[:step].tr("_", " ") }.join(", ")
        change(
          job.with(fit_setup: job.fit_setup.replace(index, corrected)),
          "#{before.name}: #{steps}, #{corrected.size_px.join(" x ")} " \
            "px#{", #{Phrases.count(gone, "cell")} to be found anew" if gone.positive?}"
        )
      end
    end
  end
end
