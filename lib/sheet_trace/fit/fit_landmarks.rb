# frozen_string_literal: true

module SheetTrace
  module Fit
    # Brings islands to where their landmarks say.
    module FitLandmarks
      SPARE = 5 # landmarks, two more than an affine map takes
      private_constant :SPARE

      # points_px [Numo::DFloat] P x 2 where the map's points come to lie; plane [Geometry::Affine, nil] where one map
      # of the plane does it
      # residuals_px [Array<Float>] by landmark: how far it is off; turned [Integer] triangles that are turned over by
      # it
      Fitted = Struct.new(:points_px, :plane, :residuals_px, :turned, keyword_init: true)

      # @param layout [Layout]
      # @param islands [Array<Integer>] moved as one
      # @param landmarks [Array<Landmark>] of these islands
      # @param kind [String] of PointPairs::KINDS; rules [Array<String>]; mirrored [Boolean, nil]
      # @return [Fitted]
      # @raise [InputError] as PointPairs
      def self.call(layout, islands, landmarks, kind:, rules: [], mirrored: false)
        map = layout.uv_map
        to = PointPairs.targets(layout.sheet.to_px(Numo::DFloat.cast(landmarks.map(&:to))), rules)
        points = layout.points_px.copy
        rows = map.points_of(islands)
        plane = plane(layout, landmarks, to, kind, rules, mirrored)
        unless whole?(plane, points[rows, true])
          raise InputError.new(
                  "these landmarks would tear the islands apart; perspective needs them nearer to a true view",
                  where: {
                    pairs: landmarks.size
                  }
                )
        end

        points[rows, true] = plane.apply(points[rows, true])
        points[rows, true] = soft(map, islands, landmarks, points, rows, to) if kind == "soft"
        residuals =
          landmarks.each_with_index.map do |mark, i|
            Math.hypot(*mark.at(map, points).zip(to[i, true].to_a).map { |got, wanted| got - wanted })
          end
        Fitted.new(
          points_px: points,
          plane: kind != "soft" && plane.is_a?(Geometry::Affine) ? plane : nil,
          turned: turned(layout, islands, points),
          residuals_px: residuals
        )
      end

      # @return [Array<Float>] how far landmarks are off now, px
      def self.residuals(layout, landmarks)
        landmarks.map do |mark|
          Math.hypot(
            *mark
              .at(layout.uv_map, layout.points_px)
              .zip(layout.sheet.uv_to_px.at(*mark.to))
              .map { |now, wanted| now - wanted }
          )
        end
      end

      # A soft fit starts from the nearest even one; from the nearest affine one where there are landmarks to spare
      # for it.
      def self.plane(layout, landmarks, to, kind, rules, mirrored)
        from = Numo::DFloat.cast(landmarks.map { |mark| mark.at(layout.uv_map, layout.points_px) })
        return PointPairs.call(from, to, kind: kind, rules: rules, mirrored: mirrored) unless kind == "soft"
        return PointPairs.call(from, to, kind: "move") if from.shape[0] < 2

        even = PointPairs.call(from, to, kind: "similarity", mirrored: mirrored)
        from.shape[0] < SPARE ? even : affine(from, to) || even
      end

      # Nil where the landmarks lie in line, or it would turn the island over.
      def self.affine(from, to)
        map = PointPairs.call(from, to, kind: "affine")
        map if map.determinant.positive?
      rescue InputError
        nil
      end

      def self.whole?(plane, points) = !plane.is_a?(Geometry::Homography) || plane.whole?(points)

      def self.soft(map, islands, landmarks, points, rows, to)
        local = Numo::Int32.zeros(map.point_count)
        local[rows] = Numo::Int32.new(rows.size).seq
        triangles = map.triangles.points[map.triangles_of(islands), true]
        anchors = landmarks.map { |mark| [local[map.triangles.points[mark.triangle, true]].to_a, mark.shares] }
        Soft.call(points[rows, true].copy, local[triangles], anchors, to)
      end

      # Turned the other way than most of their island were before.
      def self.turned(layout, islands, points)
        rows = layout.uv_map.triangles_of(islands)
        before, after = [layout.points_px, points].map { |places| layout.uv_map.signed_areas(places, rows) }
        same = (before * after)
        [same.lt(0).count, same.gt(0).count].min
      end

      private_class_method :plane, :affine, :whole?, :soft, :turned
    end
  end
end
