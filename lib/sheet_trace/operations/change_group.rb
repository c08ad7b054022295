# frozen_string_literal: true

module SheetTrace
  module Operations
    # Changes what a group of layers is called and how all of it is seen, or its place in the order.
    class ChangeGroup < Operation
      group
      text :name, optional: true
      flag :visible, optional: true
      flag :locked, optional: true
      number :opacity, 0.0..1.0, optional: true
      whole :to, 0..10_000, "the new place of its lowest layer, among those that are not in it", optional: true

      def call(job)
        stack = job.artwork
        before = stack.groups[group]
        if name && stack.groups.any? { |own| own.name == name && own != before }
          refuse("there is a group #{name} already; give another name")
        end

        after = before.with(**{ name: name, visible: visible, locked: locked, opacity: opacity&.to_f }.compact)
        change(job.with(artwork: moved(replaced(stack, before, after), after.name)), sentence(before, after))
      end

      private

      def replaced(stack, before, after)
        stack.with(
          layers: stack.layers.map { |layer| layer.group == before.name ? layer.with(group: after.name) : layer },
          groups: stack.groups.map { |own| own == before ? after : own }
        )
      end

      # Not into another group.
      def moved(stack, own_name)
        return stack if to.nil?

        own, rest = stack.layers.partition { |layer| layer.group == own_name }
        at = [to, rest.size].min
        at += 1 while at.between?(1, rest.size - 1) && rest[at].group && rest[at].group == rest[at - 1].group
        stack.with(layers: rest.insert(at, *own))
      end

      def sentence(before, after)
        done = [
          name && "renamed #{after.name}",
          { true => "shown", false => "hidden" }[visible],
          { true => "locked", false => "unlocked" }[locked],
          opacity && "opacity #{Phrases.short(opacity * 100)} %",
          to && "moved"
        ].compact
        "Group #{before.name}: #{done.empty? ? "left as it is" : done.join(", ")}"
      end
    end
  end
end
