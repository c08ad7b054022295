# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # What is matched as one: islands that lie on each other; where there are more than cells, those of one shape.
      module Units
        # @param layout [Layout]; islands [Array<Integer>]; places [Integer] that there are for them
        # @param flat_map [#call] takes an island, gives its Flatten::FlatMap
        # @return [Array<Hash{Symbol => Array}>] islands: the first leads, and whether each is reflected beside it
        def self.call(layout, islands, places, flat_map)
          stacks = Layout::Stacks.of(layout, islands).map { |stack| stack & islands }
          units = stacks.map { |stack| { islands: stack, reflected: [false] * stack.size } }
          units.size > places ? with_twins(layout, units, flat_map) : units
        end

        def self.with_twins(layout, units, flat_map)
          alike = Layout::FindTwins.call(flat_map, layout.uv_map, units.map { |unit| unit[:islands].first })
          followers = alike.flat_map { |twins| twins.islands.drop(1) }
          leaders = units.reject { |unit| followers.include?(unit[:islands].first) }
          leaders.map { |unit| joined(unit, units, alike.find { |twins| twins.islands.first == unit[:islands].first }) }
        end

        def self.joined(unit, units, twins)
          return unit unless twins

          all =
            twins
              .islands
              .zip(twins.reflected)
              .flat_map do |island, reflected|
                units.find { |group| group[:islands].first == island }[:islands].map { |own| [own, reflected] }
              end
          { islands: all.map(&:first), reflected: all.map(&:last) }
        end
        private_class_method :with_twins, :joined
      end
    end
  end
end
