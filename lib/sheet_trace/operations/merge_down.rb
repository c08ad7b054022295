# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes one layer of a layer and the one below it. Both are kept in it as they are, and can be parted again.
    class MergeDown < Operation
      layer
      text :name, "that of the lower one if nil", optional: true
      fact :layer, Parameters::Text.new(80)

      def call(job)
        stack = job.artwork
        at = stack.layers.index { |layer| layer.id == id }
        refuse("#{stack.layer(id).name} is the lowest layer; there is none below it to merge with") if at.zero?

        pair = [stack.layers[at - 1], stack.layers[at]]
        check(stack, pair)
        merged = merged(pair, stack)
        after = stack.with(layers: stack.layers.dup.tap { |layers| layers[at - 1, 2] = [merged] })
        change(
          job.with(artwork: after.with(editions: editions(stack, pair))),
          "#{pair[1].name} merged with #{pair[0].name}",
          layer: merged.id
        )
      end

      private

      def check(stack, pair)
        locked = pair.find { |layer| stack.locked?(layer) }
        refuse("#{locked.name} is locked; unlock it first") if locked
        guide = pair.find { |layer| layer.content.guide? }
        refuse("#{guide.name} is a guide, and is not merged") if guide
        followed = pair.find { |layer| stack.layers.any? { |own| own.content.to_h[:of] == layer.id } }
        refuse("other layers show what #{followed.name} shows; let those go their own way first") if followed
      end

      # Laid as the lower one was; in itself that is laid plainly.
      def merged(pair, stack)
        own = stack.resolved.select { |layer| pair.map(&:id).include?(layer.id) }
        lower = own.first
        Artwork::Layer.new(
          id: lower.id,
          name: name || lower.name,
          content: content(own),
          place: Artwork::Places::OnSheet.new,
          look: Artwork::Look.new(blend: lower.look.blend),
          group: lower.group
        )
      end

      def content(layers)
        lower, upper = layers.map { |layer| layer.with(group: nil) }
        plain = lower.with(look: lower.look.with(blend: "normal"))
        Artwork::Contents::Merged.new(layers: [plain, upper])
      end

      # What an edition replaces of either, it replaces of both now.
      def editions(stack, pair)
        ids = pair.map(&:id)
        stack.editions.each_with_index.map do |edition, i|
          next edition unless ids.any? { |own| edition.replaced.key?(own) }

          worn = stack.worn(i).select { |layer| ids.include?(layer.id) }
          ids.reduce(edition) { |own, gone| own.leave(gone) }.replace(ids.first, content: content(worn))
        end
      end
    end
  end
end
