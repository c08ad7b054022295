# frozen_string_literal: true

module SheetTrace
  module Fit
    # Proposes which islands go into which cells, and how they are turned: by proportions, outline, size beside the
    # others, what lies next to what, and
    # names where they have words in common. Islands that are nets of panels are matched to groups of cells that touch
    # each other, as one piece.
    #
    # The least costly pairing of all is taken (Geometry::Assignment), then twice more with what is next to what in it
    # counted.
    class Match
      ROUNDS = 3
      MOST = 600
      POOR = 0.25
      # Upright and reading right, unless another way is clearly better.
      TURNS = { 0 => 1.0, 2 => 0.96, 1 => 0.93, 3 => 0.93 }.freeze
      MIRRORED = 0.9
      NEXT_TO = 0.3
      NAMED = 0.35
      # By how much a pair must be better than another to be surely the right one: by hardly anything where it fits as
      # it should, by more the less it does (chosen so that confidence is the share of right ones in bench/matching.rb).
      CLEAR = 0.012
      CLEAR_BY_MISFIT = 0.6
      private_constant :ROUNDS, :MOST, :POOR, :TURNS, :MIRRORED, :NEXT_TO, :NAMED
      private_constant :CLEAR, :CLEAR_BY_MISFIT

      # islands [Array<Integer>] of one place, the first leads; reflected [Array<Boolean>] beside the first; cells
      # [Array<Integer>]
      # turn_rad [Float] from upright, clockwise; mirrored [Boolean]; confidence [Float] 0 to 1; reasons [Hash{Symbol
      # => Float}] 0 to 1 each
      Proposal =
        Struct.new(:islands, :reflected, :cells, :turn_rad, :mirrored, :confidence, :reasons, keyword_init: true) do
          # @param way [String] of IntoCell::WAYS
          # @return [Array<Hash>] as Operations::SetIntoCells takes them
          def assignments(way: "fill")
            islands
              .zip(reflected)
              .map do |island, over|
                { islands: [island], cells: cells, way: way, turn_rad: turn_rad, mirrored: mirrored ^ over }
              end
          end
        end

      # @param layout [Layout]
      # @param islands [Array<Integer>]
      # @param underlay [Underlay] its cells, and where on the sheet they lie
      # @param names [Array<String>] of all islands
      # @param flat_map [#call] takes an island, gives its Flatten::FlatMap
      # @param by [String] "cells", "nets", or "best": whichever pairs better
      # @return [Array<Proposal>] the surest first
      # @raise [InputError] where there are too many; where: { islands:, cells: }
      def self.call(layout, islands, underlay, names:, flat_map:, by: "best")
        cells = underlay.cells
        if cells.empty?
          raise InputError.new("the underlay has no cells; find them, or type a grid", where: { cells: 0 })
        end

        if [islands.size, cells.size].max > MOST
          raise InputError.new(
                  "#{islands.size} islands and #{cells.size} cells; up to #{MOST} of either are matched, so pick fewer",
                  where: {
                    islands: islands.size,
                    cells: cells.size
                  }
                )
        end

        places = { "cells" => cells.each_index.map { |i| [i] }, "nets" => Groups.call(cells) }
        match = ->(way) { new(layout, islands, underlay, places[way], names, flat_map) }
        nets = places["nets"].size < cells.size
        folded = nets && by != "cells" ? match.call("cells").send(:onto_nets, places["nets"]) : []
        return folded if folded.any?

        ways = by == "best" ? ["cells", *("nets" if nets)] : [by]
        Progress
          .map(ways) { |way| match.call(way).send(:proposals) }
          .max_by { |found| found.sum(&:confidence) / [found.size, 1].max }
      end

      def initialize(layout, islands, underlay, places, names, flat_map)
        @layout = layout
        @underlay = underlay
        @names = names
        @places = places
        @flat_map = flat_map
        # In px of the picture: how it is stretched over the sheet is nothing of what it shows.
        @spots = places.map { |group| Shape.of_cells(underlay.cells.values_at(*group)) }
        @units = Units.call(layout, islands, places.size, flat_map)
        @shapes =
          @units.map do |unit|
            Shape.of_island(layout.uv_map, unit[:islands].first, flat_map.call(unit[:islands].first))
          end
        @sides = Neighbours.of_islands(layout.uv_map, @units.map { |unit| unit[:islands] }, flat_map)
        @beside = Neighbours.of_boxes(@spots.map(&:box))
      end
      private_class_method :new

      # How well two lengths agree, 0 to 1.
      def self.alike(first, other) = [first, other].minmax.then { |low, high| high.positive? ? low.fdiv(high) : 1.0 }

      # @param agreement [Float] of names, 0 to 1
      # @return [Float] what it counts for, beside what is seen
      def self.with_names(agreement) = (1 - NAMED) + (NAMED * agreement)

      private

      def onto_nets(groups)
        OntoNets.new(@layout, @units, @shapes, @sides, @underlay.cells, method(:named)).call(groups)
      end

      def proposals
        pairs = {}
        scale = Math.sqrt(@spots.sum(&:area) / [@shapes.sum(&:area), 1e-12].max)
        table = nil
        ROUNDS.times do |round|
          table =
            Progress.part(round.fdiv(ROUNDS), (round + 1).fdiv(ROUNDS)) do
              Progress.map(@shapes.each_index.to_a) do |unit|
                @spots.each_index.map { |spot| best(unit, spot, scale, pairs) }
              end
            end
          chosen = Geometry::Assignment.call(table.map { |row| row.map { |found| 1 - found[:score] } })
          pairs = chosen.to_h { |unit, spot| [unit, [spot, table[unit][spot]]] }
          scale = scale_of(pairs, scale)
        end
        pairs
          .filter_map { |unit, (spot, found)| proposal(unit, spot, found, table[unit]) if found[:score] > POOR }
          .sort_by { |proposal| -proposal.confidence }
      end

      def scale_of(pairs, before)
        scales =
          pairs.map do |unit, (spot, found)|
            [found[:score], Math.sqrt(@spots[spot].area / [@shapes[unit].area, 1e-12].max)]
          end
        good = scales.max_by([(scales.size / 2.0).ceil, 1].max, &:first).map(&:last).sort
        good.empty? ? before : good[good.size / 2]
      end

      # The best of the eight ways that a unit can lie on a spot.
      def best(unit, spot, scale, pairs)
        shape = @shapes[unit]
        place = @spots[spot]
        fixed = { size: Match.alike(Math.sqrt(shape.area) * scale, Math.sqrt(place.area)), name: named(unit, spot) }
        [false, true].product(TURNS.keys)
          .map do |mirrored, quarters|
            reasons = {
              **fixed,
              **fit_of(shape, place, quarters, mirrored),
              panels: panels(unit, spot, quarters, mirrored),
              next_to: next_to(unit, spot, quarters, mirrored, pairs)
            }
            {
              score: score(reasons) * TURNS[quarters] * (mirrored ? MIRRORED : 1.0),
              quarters: quarters,
              mirrored: mirrored,
              reasons: reasons
            }
          end
          .max_by { |found| found[:score] }
      end

      # What does not change from round to round.
      def fit_of(shape, place, quarters, mirrored)
        (@fits ||= {}.compare_by_identity)[shape] ||= {}.compare_by_identity
        ways = @fits[shape][place] ||= {}
        ways[[quarters, mirrored]] ||= begin
          turned = shape.turned(quarters, mirrored)
          { proportion: Match.alike(turned.ratio, place.ratio)**1.5, outline: turned.overlap(place) }
        end
      end

      # Nil where a unit goes onto a single cell.
      def panels(unit, spot, quarters, mirrored)
        return if @places[spot].one?

        island = @units[unit][:islands].first
        @panels ||= {}
        @panels[unit] ||= Panels.of_island(@layout.uv_map, island, @flat_map.call(island))
        (@on_cells ||= {})[[unit, spot, quarters, mirrored]] ||= @panels[unit].on(
          @underlay.cells.values_at(*@places[spot]),
          quarters,
          mirrored
        )
      end

      def score(reasons)
        shape = reasons[:proportion] * reasons[:outline] * Math.sqrt(reasons[:size]) * (reasons[:panels] || 1.0)
        near = reasons[:next_to] ? (1 - NEXT_TO) + (NEXT_TO * reasons[:next_to]) : 1.0
        shape * near * Match.with_names(reasons[:name])
      end

      # Words that names have in common; cells that are only numbered say nothing.
      def named(unit, spot)
        cells = @places[spot].flat_map { |cell| words(@underlay.cells[cell].name) }.uniq
        return 1.0 if cells.empty? || @underlay.cells.all? { |cell| words(cell.name).empty? }

        own = words(@names[@units[unit][:islands].first])
        (own & cells).size.fdiv([own.size, cells.size].min.clamp(1, nil))
      end

      def words(name) = name.downcase.scan(/[[:alpha:]]{3,}/) - %w[cell]

      # How many of the neighbours that have a place have it on the same side. Nil while none has.
      def next_to(unit, spot, quarters, mirrored, pairs)
        known = @sides[unit].filter_map { |other, side| [pairs[other].first, side] if pairs[other] }
        return if known.empty?

        known.sum do |other, (x, y)|
          way = @beside[spot][other] or next 0.0
          x = -x if mirrored
          quarters.times { x, y = [-y, x] }
          (((x * way[0]) + (y * way[1])) / [Math.hypot(x, y) * Math.hypot(*way), 1e-12].max) > 0.5 ? 1.0 : 0.3
        end / known.size
      end

      def proposal(unit, spot, found, row)
        others = row.each_with_index.reject { |_other, i| i == spot }.map { |other, _i| other[:score] }
        reasons = found[:reasons].compact.transform_values { |value| value.round(3) }
        Proposal.new(
          **@units[unit],
          cells: @places[spot],
          turn_rad: found[:quarters] * Math::PI / 2,
          mirrored: found[:mirrored],
          confidence: (found[:score] / (1 + rivals(found[:score], others))).round(3),
          reasons: reasons
        )
      end

      # How many others are as good: one that is hardly worse counts in part.
      def rivals(score, others)
        clear = CLEAR + (CLEAR_BY_MISFIT * (1 - score))
        others.sum { |other| (1 - ((score - other) / clear)).clamp(0.0, 1.0) }
      end
    end
  end
end
