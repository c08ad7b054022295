# frozen_string_literal: true

module SheetTrace
  class Layout
    # How some islands stand among the others, by their true outlines: asked while a hand moves them, before anything
    # is changed.
    #
    # gap_px [Float, nil] to the nearest of the others; 0 where they touch or overlap, nil where there are no others
    # nearest [Integer, nil] that island; over [Array<Integer>] those that touch or overlap
    Clearance =
      Struct.new(:gap_px, :nearest, :over, keyword_init: true) do
        # @param layout [Layout]
        # @param islands [Array<Integer>] that a hand holds; twins that lie on them go along
        # @param change [Geometry::Affine] px
        # @return [Clearance] where the hand has them
        def self.after(layout, islands, change)
          moved = Stacks.of(layout, islands).flatten
          call(layout.place(moved, change), moved)
        end

        # @param layout [Layout]
        # @param islands [Array<Integer>] all that are moved, with twins that lie on them
        # @return [Clearance]
        def self.call(layout, islands)
          own = segments(layout, islands)
          gaps = {}
          by_box_gap(layout, islands).each do |other, box_gap|
            break if gaps.any? && box_gap > gaps.values.min # boxes are at most as far apart as what is in them

            gaps[other] = Geometry::OutlineGap.call(own, segments(layout, [other]))
          end
          nearest, gap = gaps.min_by(&:last)
          new(gap_px: gap, nearest: nearest, over: gaps.select { |_other, px| px.zero? }.keys)
        end

        # @return [Array<Array(Integer, Float)>] others and how far their boxes are from the box of these, the
        #   nearest first
        def self.by_box_gap(layout, islands)
          left, top, right, bottom =
            %i[min min max max].each_with_index.map { |which, side| layout.boxes_px[islands, side].send(which) }
          ((0...layout.uv_map.island_count).to_a - islands)
            .map do |other|
              box = layout.boxes_px[other, true].to_a
              [other, Math.hypot([box[0] - right, left - box[2], 0.0].max, [box[1] - bottom, top - box[3], 0.0].max)]
            end
            .sort_by(&:last)
        end

        # @return [Numo::DFloat] n x 4 px
        def self.segments(layout, islands)
          edges = layout.uv_map.edges
          wanted = Numo::Bit.zeros(layout.uv_map.island_count).tap { |bits| bits[islands] = 1 }
          ends = edges.points[(edges.outline & wanted[edges.islands]).where, true]
          Numo::DFloat.hstack([layout.points_px[ends[true, 0], true], layout.points_px[ends[true, 1], true]])
        end
        private_class_method :by_box_gap, :segments
      end
  end
end
