# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays faces into a gradient so that a direction of the model runs along it: what lies lowest in that direction
    # takes the middle of the gradient's first
    # px, what lies highest that of its last, so that both end colours are met.
    class LayAlongGradient < Operation
      ChosenFaces.declare(self)
      cell
      direction :direction, "of the model"
      one_of :way, %w[across down], "where the gradient runs, from the left or from the top", default: "down"
      flag :reverse, "the other way round", default: false

      def call(job)
        refuse("no underlay is shown; lay one under the islands first") unless job.fit_setup.underlay

        chosen = ChosenFaces.call(job, to_h)
        assignment = SetIntoCells::ASSIGNMENT.fields.filled({ faces: chosen, cell: cell, together: false })
        whole = done(SetIntoCells.new(assignments: [assignment]), job)
        own = whole.layout.uv_map.face_islands[chosen].to_a.uniq
        underlay = whole.fit_setup.underlay
        # px of the sheet that a px of the picture covers
        px = underlay.to_sheet(job.sheet).then { |map| [map.a, map.e] }
        points =
          Fit::AlongGradient.call(
            whole.layout,
            own,
            underlay.box_px(whole.fit_setup.cells[cell], whole.sheet),
            px,
            direction,
            way: way,
            reverse: reverse
          )
        change(
          Job::Remap.with_points(whole, whole.sheet.px_to_uv.apply(points)),
          "#{ChosenFaces.to_words(job, to_h)} laid along the gradient of #{job.fit_setup.cells[cell].name}, " \
            "#{way_words}"
        )
      end

      private

      def way_words = "from its #{way == "down" ? "top" : "left"}#{" backwards" if reverse}"
    end
  end
end
