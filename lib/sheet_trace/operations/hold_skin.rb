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
        refuse("#{skin.name} is locked; unlock it first") if skin.look.locked
        unless [Artwork::Places::OnSheet, Artwork::Places::OnModel].include?(skin.place.class)
          refuse("#{skin.name} lies on the surface by itself; only what lies over the sheet is held")
        end

        to == "sheet" ? held_to_sheet(job, skin) : held_to_model(job, skin)
      end

      private

      def held_to_sheet(job, skin)
        refuse("#{skin.name} is held to the sheet already") if skin.place.is_a?(Artwork::Places::OnSheet)

        stack = job.artwork.replace(skin.with(place: Artwork::Places::OnSheet.new))
        change(pruned(job.with(artwork: stack)), "#{skin.name} held to the sheet")
      end

      def held_to_model(job, skin)
        refuse("#{skin.name} is held to the model already") if skin.place.is_a?(Artwork::Places::OnModel)
        unless skin.place == Artwork::Places::OnSheet.new
          refuse("#{skin.name} lies over a box of the sheet; lay it over the whole sheet first")
        end

        maps, name = with_present(job)
        stack = job.artwork.replace(skin.with(place: Artwork::Places::OnModel.new(painted_on: name)))
        change(pruned(job.with(artwork: stack, painted_maps: maps)), "#{skin.name} held to the model")
      end

      # @return [Array(Array<Job::KeptMap>, String)] the layouts with the present one, and its name
      def with_present(job)
        layout = job.layout
        known = job.painted_maps.find { |map| map.layout.equal?(layout) }
        return job.painted_maps, known.name if known

        number = job.painted_maps.filter_map { |map| map.name[/\d+\z/]&.to_i }.max.to_i + 1
        name = "painted-#{number}"
        [job.painted_maps + [Job::KeptMap.new(name) { layout }], name]
      end

      # Without layouts that no layer asks for.
      def pruned(job)
        asked = job.artwork.layers.filter_map { |layer| layer.place.to_h[:painted_on] }
        job.with(painted_maps: job.painted_maps.select { |map| asked.include?(map.name) })
      end
    end
  end
end
