# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings back the layers that were merged into one, as that has them in all editions. What editions have replaced of
    # it since goes with it.
    class PartLayers < Operation
      layer

      def call(job)
        stack = job.artwork
        merged = stack.layer(id)
        unless merged.content.is_a?(Artwork::Contents::Merged)
          refuse("#{merged.name} is one layer; nothing was merged into it")
        end
        refuse("#{merged.name} is locked; unlock it first") if stack.locked?(merged)

        lower, *upper = merged.content.layers
        own = [
          lower.with(id: merged.id, group: merged.group, look: lower.look.with(blend: merged.look.blend)),
          *upper.map { |layer| layer.with(group: merged.group) }
        ]
        at = stack.layers.index(merged)
        layers = stack.layers.dup.tap { |list| list[at, 1] = own }
        change(
          job.with(artwork: with_editions(stack.with(layers: layers), own)),
          "#{merged.name} parted into #{own.map(&:name).join(" and ")}"
        )
      end

      private

      # An edition that shows others of the layers has them again, each by itself.
      def with_editions(stack, own)
        stack.with(
          editions:
            stack.editions.map do |edition|
              other = edition.replaced.dig(id, :content)
              next edition.leave(id) unless other.is_a?(Artwork::Contents::Merged)

              own.zip(other.layers).reduce(edition.leave(id)) { |so_far, (layer, worn)| replaced(so_far, layer, worn) }
            end
        )
      end

      def replaced(edition, layer, worn)
        return edition if worn.nil?

        change = {}
        change[:content] = worn.content if worn.content != layer.content
        change[:visible] = worn.look.visible if worn.look.visible != layer.look.visible
        change.empty? ? edition : edition.replace(layer.id, change)
      end
    end
  end
end
