# frozen_string_literal: true

module SheetTrace
  module Operations
    # Grows a net from one island: its neighbours are joined on along their longest common edges, then theirs, and so
    # on, as long as nothing comes to lie on what is there already. Or it is joined as a net is that is printed on the
    # underlay: panels whose cells lie side by side hang together.
    class GrowNet < Operation
      # How finely overlaps are looked for, and the share of an island's texels that rounding may bring about.
      RASTER_PX = 512
      SLACK = 0.01
      private_constant :RASTER_PX, :SLACK

      island
      flag :as_printed, "like the printed net of the underlay that fits best", default: false

      def call(job)
        join = IslandNet.start(job)
        if join.borders.keys.none? { |pair| pair.include?(island) }
          refuse("#{job.island_names[island]} has no neighbour on the sheet to join on")
        end

        as_printed ? grow_as_printed(job, join) : grow(job, join)
        after = IslandNet.settled(job, join)
        count = job.layout.uv_map.island_count - after.layout.uv_map.island_count
        change(
          after,
          "Net of #{job.island_names[island]}#{" as printed" if as_printed}: #{Phrases.count(count, "island")} joined on"
        )
      end

      private

      # From the first panel's cell on, to the cells beside it.
      def grow_as_printed(job, join)
        panels = printed_panels(job, join)
        cells = job.fit_setup.cells
        ways = Fit::Match::Groups.ways(cells)
        edges = join.borders
        reached = [panels.key(island)]
        reached.each do |cell|
          beside = ways[cell].keys.select { |other| panels[other] && !reached.include?(other) }
          beside.each do |other|
            edge = edges[[panels[cell], panels[other]].minmax] or next
            join.call(edge, keep: island)
            reached << other
          end
        end
      end

      # @return [Hash{Integer => Integer}] cell => the island whose panel is printed there
      def printed_panels(job, join)
        refuse("the underlay has no cells; find those of the printed net first") if job.fit_setup.cells.empty?

        found =
          Fit::Match.call(
            job.layout,
            hanging_together(join.borders, job.layout.uv_map.island_count),
            job.fit_setup.underlay,
            names: job.island_names,
            flat_map: job.method(:flat_map)
          )
        panels = found.select { |proposal| proposal.reasons[:folded] }
        if panels.none? { |proposal| proposal.islands == [island] }
          refuse("no printed net of the underlay can be folded to what #{job.island_names[island]} is a panel of")
        end

        panels.to_h { |proposal| [proposal.cells.first, proposal.islands.first] }
      end

      # @return [Array<Integer>] the island, and those that hang together with it on the model
      def hanging_together(borders, off_sheet)
        found = [island]
        found.each do |own|
          beside = borders.keys.select { |pair| pair.include?(own) }.flatten.uniq
          found.concat(beside - found - [off_sheet])
        end
      end

      def grow(job, join)
        off_sheet = job.layout.uv_map.island_count
        tried = {}
        # Nearest to the first panel first: each round goes one island further out.
        reached = [island]
        until reached.empty?
          candidates = neighbours(join.borders, off_sheet, tried)
          reached = candidates.select { |other, edge| add(join, other, edge, tried) }.map(&:first)
        end
      end

      def neighbours(borders, off_sheet, tried)
        borders.filter_map do |pair, edge|
          other = pair.find { |piece| piece != island }
          [other, edge] if pair.include?(island) && other != off_sheet && !tried[other]
        end
      end

      # Joined on for a try; taken only if it covers nothing.
      def add(join, other, edge, tried)
        tried[other] = true
        before = [join.places.copy, join.groups.copy]
        join.call(edge, keep: island)
        moved = before[1].eq(other)
        return true unless covered?(join, before[1], moved)

        join.put_back(*before)
        false
      end

      def covered?(join, former, moved)
        parts = [former.eq(island), moved].map { |faces| join.triangles_where(faces) }
        low, high =
          parts
            .map { |corners| corners.reshape(corners.size / 2, 2) }
            .then { |a, b| a.concatenate(b, axis: 0) }
            .then { |all| [all.min(axis: 0), all.max(axis: 0)] }
        scale = RASTER_PX / [(high - low).max, 1e-9].max
        texels =
          parts.map do |corners|
            Raster::Rasterise.call((corners - low.reshape(1, 1, 2)) * scale, RASTER_PX, RASTER_PX).first.to_a
          end
        (texels[0] & texels[1]).size > texels[1].size * SLACK
      end
    end
  end
end
