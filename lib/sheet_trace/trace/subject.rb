# frozen_string_literal: true

module SheetTrace
  module Trace
    # What a template is drawn of: a layout at a size, some of its islands, and what is told of them.
    class Subject
      # @return [Layout]
      attr_reader :layout
      # @return [Layout::Sheet] of the template, which may differ from the layout's own
      attr_reader :size
      # @return [Array<Integer>]
      attr_reader :islands
      # @return [Facts]
      attr_reader :facts
      # @return [Hash] as Template declares them
      attr_reader :options
      # @return [Numo::DFloat] P x 2: where the map's points lie, px
      attr_reader :points_px

      # @param islands [Array<Integer>, nil] all if nil
      # @raise [InputError] where: { island: }
      def initialize(layout, size, islands, facts, options)
        @layout = layout
        @size = size
        @islands = islands || (0...layout.uv_map.island_count).to_a
        @facts = facts
        @options = options
        @points_px = size.to_px(layout.points_uv)
        stranger = @islands.find { |island| !island.between?(0, layout.uv_map.island_count - 1) }
        raise InputError.new("there is no island #{stranger}", where: { island: stranger }) if stranger
      end

      def map = layout.uv_map
      def name(island) = facts.names[island]

      # @return [Array(Float, Float)] px of the template to one of the layout's own sheet
      def scale = [size.width_px.fdiv(layout.sheet.width_px), size.height_px.fdiv(layout.sheet.height_px)]

      # @return [Float] px per mm of an island on the template
      def px_per_mm(island) = facts.measures[island].density_px_per_mm * Math.sqrt(scale.reduce(:*))

      # @return [Numo::DFloat] t x 3 x 2: corners of an island's triangles, px
      def corners_px(island)
        rows = map.triangles.points[map.island_triangles[island], true]
        Numo::DFloat
          .zeros(*rows.shape, 2)
          .tap { |corners| 2.times { |axis| corners[true, true, axis] = points_px[true, axis][rows] } }
      end

      # @return [Array(Float, Float, Float, Float)] left, top, right, bottom of an island, px
      def box(island)
        own = points_px[map.island_points[island], true]
        [*own.min(axis: 0).to_a, *own.max(axis: 0).to_a]
      end

      # @return [Float] where model-up points on the template, 0 up, clockwise
      def up_rad(island) = facts.measures[island].up_angle_rad

      # @return [Array<Array<Array(Float, Float)>>] the closed lines round an island, px
      def loops(island)
        (@loops ||= {})[island] ||= Flatten::Border
          .call(map.triangles.points[map.island_triangles[island], true])
          .map { |points| points_px[points, true].to_a }
      end

      # @return [Array<Array<Integer>>] of the islands, those that lie on each other
      def stacks
        @stacks ||= Layout::Stacks.call(layout).map { |stack| stack & islands }.reject(&:empty?)
      end

      # Finds free room for a box on the sheet, and takes it.
      #
      # @param near [Array(Float, Float)] where its left upper corner would best be, px
      # @return [Array(Float, Float), nil] its left upper corner; nil if there is no room
      def room(width_px, height_px, near:)
        @room ||= Layout::FindRoom.new(layout, without: [], gutter_px: 1)
        own = [width_px, height_px, *near].zip(scale * 2).map { |px, by| px / by }
        @room.call(own[0], own[1], near: own[2..])&.zip(scale)&.map { |px, by| px * by }
      end

      # @return [Drawing::Color] of the outlines
      def color = @color ||= Drawing::Color.parse(options[:color])
    end
  end
end
