# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets what lies on one island on those of the same shape too, at the same spot of each, upright as the first. They
    # show what the first shows: replaced there, it is replaced on all.
    class SetOnAlike < Operation
      layer
      islands :islands, "all that are alike if nil", optional: true

      def call(job)
        source = job.artwork.layer(id)
        refuse("#{source.name} is not set on one island") unless source.place.is_a?(Artwork::Places::OnIsland)

        alike = alike(job, source.place.island).reject { |island, _, _| taken?(job, source, island) }
        refuse("no other island has the shape of #{job.island_names[source.place.island]}") if alike.empty?

        stack =
          alike.reduce(job.artwork) do |state, (island, points, reflected)|
            state.add(
              name: source.name,
              content: Artwork::Contents::Same.new(of: root(job, source)),
              place: placed(job, source.place, island, points, reflected),
              look: source.look.with(locked: false)
            )
          end
        names = alike.map { |island, _, _| job.island_names[island] }
        change(job.with(artwork: stack), "#{source.name} set on #{names.join(", ")} too")
      end

      private

      # The layer whose content it is.
      def root(_job, source)
        source.content.is_a?(Artwork::Contents::Same) ? source.content.of : source.id
      end

      # @return [Array<Array(Integer, Array(Numo::Int64, Numo::Int64), Boolean)>] island, points of the first and of it,
      #   whether it is reflected
      def alike(job, island)
        among = islands ? [island, *islands].uniq : (0...job.layout.uv_map.island_count).to_a
        twins = Layout::FindTwins.call(job.method(:flat_map), job.layout.uv_map, among)
        group = twins.find { |own| own.islands.include?(island) } or return []

        at = group.islands.index(island)
        (group.islands.each_index.to_a - [at]).map do |i|
          [group.islands[i], [group.points[at], group.points[i]], group.reflected[i] != group.reflected[at]]
        end
      end

      def taken?(job, source, island)
        job.artwork.layers.any? do |layer|
          layer.place.island == island && layer.content.is_a?(Artwork::Contents::Same) &&
            layer.content.of == root(job, source)
        end
      end

      # Where the island's points say that the spot is; upright as the first, and never reflected.
      def placed(job, place, island, points, reflected)
        maps = [place.island, island].map { |own| job.flat_map(own) }
        from, to = maps.zip(points).map { |map, own| places_of(map, own) }
        map = Geometry::Affine.fit(from, to)
        x, y = map.at(place.x_mm, place.y_mm)
        angle = Math.atan2(map.d, map.a)
        turn = reflected ? -place.turn_rad : place.turn_rad - angle
        place.with(island: island, x_mm: x, y_mm: y, turn_rad: turn)
      end

      def places_of(flat_map, points)
        rows = flat_map.points.to_a.each_with_index.to_h.values_at(*points.to_a)
        flat_map.coordinates_mm[rows, true]
      end
    end
  end
end
