# frozen_string_literal: true

module SheetTrace
  class Layout
    # The order in which the islands of a sheet are read: those with art first, those of more weight before others, and
    # then by a rule. Common practice, no source.
    module ReadingOrder
      FACINGS = %w[Front Around Back Left Right Top Bottom].freeze
      # side: by the side of the model that they are of, the larger first; size: the larger first, then by side;
      # height: from the top of the model down, then from left to right; name: by their names, numbers by their value
      RULES = {
        "side" => ->(island) { [island.side, -island.area] },
        "size" => ->(island) { [-island.area, island.side] },
        "height" => ->(island) { [-island.middle[1], island.middle[0]] },
        "name" => ->(island) { island.name.downcase.scan(/\d+|\D+/).map { |part| [part.to_i, part] } }
      }.freeze

      # What rules go by. side [Integer] of FACINGS; area [Float]; middle [Array(Float, Float)] across and up the model
      Island = Struct.new(:side, :area, :middle, :name, keyword_init: true)
      private_constant :Island

      # @param layout [Layout]
      # @param tags [Array<String>] one an island
      # @param names [Array<String>] one an island
      # @param plan [Plan] for the weights
      # @param rule [String] of RULES
      # @return [Array<Array<Integer>>] islands that lie on each other to the point in one list
      def self.call(layout, tags, names:, plan: Plan.new, rule: "side")
        islands = islands(layout, names)
        Stacks
          .call(layout)
          .sort_by
          .with_index do |stack, at|
            first = stack.first
            [tags[first] == "art" ? 0 : 1, -plan.weight(first), RULES.fetch(rule).call(islands[first]), at]
          end
      end

      def self.islands(layout, names)
        map = layout.uv_map
        facings = Mesh::Facing.names(map.mean_normals)
        areas = map.island_areas
        middles = map.island_middles
        names.each_with_index.map do |name, island|
          Island.new(
            side: FACINGS.index(facings[island]),
            area: areas[island].round(9),
            middle: middles[island, 0..1].to_a.map { |at| at.round(6) },
            name: name
          )
        end
      end
      private_class_method :islands
    end
  end
end
