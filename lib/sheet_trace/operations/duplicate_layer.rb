# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a copy of a layer right over it, as it is worn in the edition shown; to be seen in all editions, or in one.
    class DuplicateLayer < Operation
      layer
      edition :edition, "the one that has the copy; all if nil", optional: true
      fact :layer, Parameters::Text.new(80)

      def call(job)
        stack = job.artwork
        source = stack.worn.find { |layer| layer.id == id }
        name = free_name(stack, source.name)
        look = source.look.with(locked: false, visible: edition ? false : source.look.visible)
        added = stack.add(name: name, content: source.content, place: source.place, look: look, group: source.group)
        copy = added.layers.last
        above = added.layers.index { |layer| layer.id == id } + 1
        after = seen_there(added.with(layers: (added.layers - [copy]).insert(above, copy)), copy)
        where = edition ? " for #{stack.editions[edition].name} alone" : ""
        change(job.with(artwork: after), "#{source.name} copied as #{name}#{where}", layer: copy.id)
      end

      private

      def seen_there(stack, copy)
        return stack unless edition

        stack.replace_edition(edition, stack.editions[edition].replace(copy.id, visible: true))
      end

      # "Label 2" for a copy of "Label", and "Label 3" for one of that.
      def free_name(stack, name)
        stem = name.sub(/ \d+\z/, "")
        taken = stack.layers.map(&:name)
        (2..).lazy.map { |number| "#{stem} #{number}" }.find { |candidate| !taken.include?(candidate) }
      end
    end
  end
end
