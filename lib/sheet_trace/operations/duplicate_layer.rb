# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a copy of a layer right over it, as it is worn in the edition shown.
    class DuplicateLayer < Operation
      layer
      fact :layer, Parameters::Text.new(80)

      def call(job)
        stack = job.artwork
        source = stack.worn.find { |layer| layer.id == id }
        name = free_name(stack, source.name)
        look = source.look.with(locked: false)
        added = stack.add(name: name, content: source.content, place: source.place, look: look)
        copy = added.layers.last
        above = added.layers.index { |layer| layer.id == id } + 1
        layers = (added.layers - [copy]).insert(above, copy)
        change(job.with(artwork: added.with(layers: layers)), "#{source.name} copied as #{name}", layer: copy.id)
      end

      private

      # "Label 2" for a copy of "Label", and "Label 3" for one of that.
      def free_name(stack, name)
        stem = name.sub(/ \d+\z/, "")
        taken = stack.layers.map(&:name)
        (2..).lazy.map { |number| "#{stem} #{number}" }.find { |candidate| !taken.include?(candidate) }
      end
    end
  end
end
