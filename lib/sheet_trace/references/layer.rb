# frozen_string_literal: true

module SheetTrace
  module References
    # A layer, by its id, or by its name where no other layer has it.
    class Layer < Parameters::Type
      # @return [String] its id
      def validate(value, _label, context)
        layers = context.job.artwork.layers
        found = layers.select { |layer| layer.id == value }
        found = layers.select { |layer| layer.name == value } if found.empty?
        return found.first.id if found.size == 1
        raise InputError, "#{found.size} layers are called #{value.inspect}; give one's id" if found.size > 1

        raise InputError, "there is no layer #{value.inspect.slice(0, 60)}; it may have been removed"
      end

      def to_text = "a layer: its id, or its name"
      def typescript = "string"
    end
  end
end
