# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # Loose panels onto printed nets: each solid onto the net that it can be folded to best.
      class OntoNets
        FOLDS = 0.6 # how well the panels of a solid must fit a net that it can be folded to
        # How sure a folded net is by the number of other ways round that are as good: a box of three measures has 3,
        # one of two 7, a cube 23.
        CUSTOM = { 0 => 1.0, 1 => 0.95, 3 => 0.9, 7 => 0.8, 23 => 0.6 }.freeze
        private_constant :FOLDS, :CUSTOM

        # @param layout [Layout]
        # @param units [Array<Hash>] as Units gives them; shapes [Array<Shape>] of them
        # @param sides [Array<Hash>] of them, as Neighbours.of_islands gives them
        # @param cells [Array<Cell>]
        # @param named [#call] takes a unit and a cell, gives how well their names agree, 0 to 1
        def initialize(layout, units, shapes, sides, cells, named)
          @units = units
          @shapes = shapes
          @sides = sides
          @cells = cells
          @named = named
          @facings = Mesh::Facing.names(layout.uv_map.mean_normals)
        end

        # @param groups [Array<Array<Integer>>] cells that touch each other
        # @return [Array<Proposal>] none where a net is no solid's
        def call(groups)
          nets = groups.select { |group| group.size > 1 }
          solids = connected
          table = nets.map { |net| solids.map { |solid| placement(net, solid) } }
          Geometry::Assignment
            .call(table.map { |row| row.map { |found| 1 - found.score } })
            .to_a
            .select { |net, solid| table[net][solid].score > FOLDS }
            .flat_map { |net, solid| proposals(nets[net], solids[solid], table[net][solid]) }
            .sort_by { |proposal| [-proposal.confidence, proposal.islands.first] }
        end

        private

        # @return [Array<Array<Integer>>] units that hang together on the model
        def connected
          left = @units.each_index.to_a
          found = []
          until left.empty?
            solid = [left.first]
            solid.each { |unit| solid.concat(@sides[unit].keys - solid) }
            found << solid.sort
            left -= solid
          end
          found
        end

        # Panels that have no cell: an open box lacks its lid.
        def lacks(net, solid) = solid.size - net.size

        def placement(net, solid)
          return Folded::NONE unless lacks(net, solid).between?(0, 1)

          sides = solid.map { |unit| @sides[unit].transform_keys { |other| solid.index(other) } }
          spots = net.map { |cell| Shape.of_cells([@cells[cell]]) }
          areas = [spots, @shapes.values_at(*solid)].map { |shapes| shapes.sum(&:area) }
          scale = Math.sqrt(areas[0] / [areas[1], 1e-12].max)
          Folded.call(
            Groups.ways(@cells.values_at(*net)),
            sides,
            front: ->(unit) { @facings[@units[solid[unit]][:islands].first] == "Front" }
          ) { |cell, unit, quarters| fit(solid[unit], net[cell], spots[cell], scale, quarters) }
        end

        def fit(unit, cell, spot, scale, quarters)
          shape = @shapes[unit].turned(quarters, false)
          Match.alike(shape.width * scale, spot.width) * Match.alike(shape.height * scale, spot.height) *
            shape.overlap(spot) * Match.with_names(@named.call(unit, cell))
        end

        # What is as good another way round is taken by custom, and so is less sure.
        def proposals(net, solid, placement)
          placement.spots.map do |cell, (unit, quarters)|
            Proposal.new(
              **@units[solid[unit]],
              cells: [net[cell]],
              turn_rad: quarters * Math::PI / 2,
              mirrored: false,
              confidence: (placement.score * sureness(placement.rivals)).round(3),
              reasons: {
                folded: placement.score.round(3),
                name: @named.call(solid[unit], net[cell]).round(3)
              }
            )
          end
        end

        def sureness(rivals) = CUSTOM.find { |most, _share| rivals <= most }&.last || CUSTOM.values.last
      end
    end
  end
end
