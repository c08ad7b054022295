# frozen_string_literal: true

module SheetTrace
  class Layout
    # Islands of the same shape on the model, up to a turn or a reflection, and which point of one is which of the
    # other.
    module FindTwins
      # Points must meet as near as this, as a share of the island's size.
      TOLERANCE = 1e-3
      private_constant :TOLERANCE

      # islands [Array<Integer>] the first leads; points [Array<Numo::Int64>] by island: points in the order of the
      # leader's
      # reflected [Array<Boolean>] by island, beside the leader
      Twins = Struct.new(:islands, :points, :reflected, keyword_init: true)

      # @param job_flat_map [#call] takes an island, gives its Flatten::FlatMap
      # @param uv_map [UvMap]
      # @param islands [Array<Integer>]
      # @param tolerance [Float] a share of the island's size
      # @return [Array<Twins>] groups of two and more
      def self.call(job_flat_map, uv_map, islands, tolerance: TOLERANCE)
        flat = islands.to_h { |island| [island, shape(job_flat_map.call(island))] }
        rough =
          islands.group_by do |island|
            [uv_map.island_faces[island].size, flat[island][:points].size, Math.log(flat[island][:size]).round(1)]
          end
        rough.values.flat_map { |some| grouped(flat, some, tolerance) }.select { |twins| twins.islands.size > 1 }
      rescue UvError
        []
      end

      def self.grouped(flat, islands, tolerance)
        islands.each_with_object([]) do |island, groups|
          found =
            groups
              .lazy
              .filter_map do |twins|
                match(flat[twins.islands.first], flat[island], tolerance).then { |met| [twins, met] if met }
              end
              .first
          if found
            twins, (order, reflected) = found
            twins.islands << island
            twins.points << flat[island][:points][order]
            twins.reflected << reflected
          else
            groups << Twins.new(islands: [island], points: [flat[island][:points]], reflected: [false])
          end
        end
      end

      # Points about their middle, far ones first.
      def self.shape(flat_map)
        places = flat_map.coordinates_mm - flat_map.coordinates_mm.mean(axis: 0).reshape(1, 2)
        reach = Numo::NMath.hypot(places[true, 0].copy, places[true, 1].copy)
        { points: flat_map.points, places: places, reach: reach, far: reach.max_index, size: [reach.max, 1e-12].max }
      end

      # The farthest point of one meets each about as far of the other in turn: as it is, or else reflected. Of
      # several ways that meet, as on
      # a rectangle, the one that turns least keeps both upright.
      #
      # @return [Array(Numo::Int64, Boolean), nil] rows of the other in the order of the one, and whether it is
      #   reflected
      def self.match(first, other, tolerance)
        near = first[:size] * tolerance
        return if (first[:size] - other[:size]).abs > near

        [false, true].each do |reflected|
          places = reflected ? other[:places] * Numo::DFloat[[-1, 1]] : other[:places]
          rows = ((other[:reach] - first[:size]).abs <= near).where.to_a
          turns = rows.map { |row| turn(first, places[row, true].to_a) }.sort_by(&:abs)
          order =
            turns
              .lazy
              .filter_map { |angle| meet(first[:places], Geometry::Affine.turn(angle).apply(places), near) }
              .first
          return order, reflected if order
        end
        nil
      end

      # @return [Float] by which a place is turned to lie towards the farthest point, -pi to pi
      def self.turn(first, place)
        angle = Math.atan2(*first[:places][first[:far], true].to_a.reverse) - Math.atan2(*place.reverse)
        angle - ((angle / (2 * Math::PI)).round * 2 * Math::PI)
      end

      def self.meet(places, others, near)
        order = order_of(places, others)
        order if (places - others[order, true]).abs.max <= near && order.to_a.uniq.size == order.size
      end

      # For each place the nearest of others.
      def self.order_of(places, others)
        x, y = [0, 1].map { |axis| (places[true, axis].expand_dims(1) - others[true, axis].expand_dims(0))**2 }
        (x + y).min_index(axis: 1) - (Numo::Int64.new(places.shape[0]).seq * others.shape[0])
      end
      private_class_method :grouped, :shape, :match, :turn, :meet, :order_of
    end
  end
end
