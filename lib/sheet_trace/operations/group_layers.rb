# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts layers together under one name, below the highest of them; or takes them out of their groups.
    class GroupLayers < Operation
      layers
      text :group, "its name; the next free one if nil, none at all if empty", empty: true, optional: true

      def call(job)
        stack = job.artwork
        names = ids.map { |id| stack.layer(id).name }
        return change(job.with(artwork: parted(stack)), "#{names.join(", ")} in no group") if group == ""

        name = group || free_name(stack)
        change(job.with(artwork: stack.grouped(ids, name)), "#{names.join(", ")} in the group #{name}")
      end

      private

      # Above what is left of its group, so that that stays together.
      def parted(stack)
        ids.reduce(stack) do |so_far, id|
          layer = so_far.layer(id)
          next so_far unless layer.group

          rest = so_far.layers - [layer]
          last = rest.rindex { |own| own.group == layer.group } || (so_far.layers.index(layer) - 1)
          so_far.with(layers: rest.insert(last + 1, layer.with(group: nil)))
        end
      end

      def free_name(stack)
        taken = stack.groups.map(&:name)
        (1..).lazy.map { |number| "Group #{number}" }.find { |name| !taken.include?(name) }
      end
    end
  end
end
