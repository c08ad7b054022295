# frozen_string_literal: true

module SheetTrace
  class Layout
    # The order in which the islands of a sheet are read: those with art first, then by the side of the model that
    # they are of, the larger
    # first. Common practice, no source.
    module ReadingOrder
      FACINGS = %w[Front Around Back Left Right Top Bottom].freeze

      # @param layout [Layout]
      # @param tags [Array<String>] one an island
      # @return [Array<Array<Integer>>] islands that lie on each other to the point in one list
      def self.call(layout, tags)
        facings = Mesh::Facing.names(layout.uv_map.mean_normals)
        areas = layout.uv_map.island_areas
        Stacks
          .call(layout)
          .sort_by do |stack|
            stack.first.then do |island|
              [tags[island] == "art" ? 0 : 1, FACINGS.index(facings[island]), -areas[island]]
            end
          end
      end
    end
  end
end
