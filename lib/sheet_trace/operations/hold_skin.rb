# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what a skin is held to: the sheet, so that it stays and islands move over it; or the model, so that it shows
    # the same there whatever becomes of the layout. What holds now is the layout as it is.
    class HoldSkin < Operation
      layer
      one_of :to, %w[sheet model]

      def call(job)
        skin = job.artwork.layer(id)
        refuse("#{skin.name} is locked; unlock it first") if job.artwork.locked?(skin)
        refuse("#{skin.name} follows the layout by itself") if skin.content.whole_sheet?
        unless [Artwork::Places::OnSheet, Artwork::Places::OnModel].include?(skin.place.class)
          refuse("#{skin.name} lies on the surface by itself; only what lies over the sheet is held")
        end

        to == "sheet" ? held_to_sheet(job, skin) : held_to_model(job, skin)
      end

      private

      def held_to_sheet(job, skin)
        refuse("#{skin.name} is held to the sheet already") if skin.place.is_a?(Artwork::Places::OnSheet)

        stack = job.artwork.replace(skin.with(place: Artwork::Places::OnSheet.new))
        change(Job::PaintedOn.pruned(job.with(artwork: stack)), "#{skin.name} held to the sheet")
      end

      def held_to_model(job, skin)
        refuse("#{skin.name} is held to the model already") if skin.place.is_a?(Artwork::Places::OnModel)
        unless skin.place == Artwork::Places::OnSheet.new
          refuse("#{skin.name} lies over a box of the sheet; lay it over the whole sheet first")
        end

        maps, name = Job::PaintedOn.with_present(job)
        stack = job.artwork.replace(skin.with(place: Artwork::Places::OnModel.new(painted_on: name)))
        held = job.with(artwork: stack, painted_maps: maps)
        change(Job::PaintedOn.pruned(held), "#{skin.name} held to the model")
      end
    end
  end
end
