# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets what lies on one island on those of the same shape too, or what lies round a spot of the model on alike parts
    # and on the model's other side: at the same spot of each, upright as the first. They show what the first shows:
    # replaced there, it is replaced on all.
    class SetOnAlike < Operation
      layer
      islands :islands, "of those that are alike; all if nil", optional: true

      def call(job)
        source = job.artwork.layer(id)
        unless [Artwork::Places::OnIsland, Artwork::Places::OnSurface].include?(source.place.class)
          refuse("#{source.name} is set on no island, and lies round no spot of the model")
        end

        alike = Artwork::AlikePlaces.call(job, source.place, among: islands).reject { |own| taken?(job, source, own) }
        refuse(none(job, source)) if alike.empty?

        stack = alike.reduce(job.artwork) { |state, own| state.add(**layer_there(source, own.place)) }
        change(job.with(artwork: stack), "#{source.name} set on #{alike.map(&:name).join(", ")} too")
      end

      private

      def layer_there(source, place)
        {
          name: source.name,
          content: Artwork::Contents::Same.new(of: root(source)),
          place: place,
          look: source.look.with(locked: false, mask: Artwork::Mask.new)
        }
      end

      # The layer whose content it is.
      def root(source) = source.content.is_a?(Artwork::Contents::Same) ? source.content.of : source.id

      def taken?(job, source, alike)
        job.artwork.layers.any? do |layer|
          if [root(source), source.id].include?(layer.id)
            there?(layer, alike)
          else
            same?(layer, source) && there?(layer, alike)
          end
        end
      end

      def same?(layer, source) = layer.content.is_a?(Artwork::Contents::Same) && layer.content.of == root(source)

      def there?(layer, alike)
        layer.place.instance_of?(alike.place.class) && layer.place.island == alike.place.island &&
          layer.place.to_h[:face] == alike.place.to_h[:face]
      end

      def none(job, source)
        return "no other island has the shape of #{job.island_names[source.place.island]}" if source.place.island

        "no other part has the shape of this one, and the model is not the same on both sides"
      end
    end
  end
end
