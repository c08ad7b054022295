# frozen_string_literal: true

module SheetTrace
  class Layout
    # Which islands lie otherwise on one layout than on another of the same mesh, and how.
    module Changes
      STILL_PX = 0.01
      STRAIGHT_RAD = 1e-4
      ALIKE = 1e-4
      private_constant :STILL_PX, :STRAIGHT_RAD, :ALIKE

      # island [Integer] of the second layout; cut_anew [Boolean] its faces were not one island before
      # moved_px [Float] way of its middle; turn_rad [Float] clockwise; scale [Float]; reflected [Boolean]; nil where
      # it was cut anew
      Change = Struct.new(:island, :cut_anew, :moved_px, :turn_rad, :scale, :reflected, keyword_init: true)

      # @param before [Layout]; after [Layout]
      # @return [Array<Change>] of islands that changed: those that were cut anew first, then those that went farthest
      def self.call(before, after)
        return [] if before.uv_map.mesh.corner_count != after.uv_map.mesh.corner_count

        found = (0...after.uv_map.island_count).filter_map { |island| change(before, after, island) }
        found.sort_by { |change| change.cut_anew ? -Float::INFINITY : -change.moved_px }
      end

      def self.change(before, after, island)
        faces = after.uv_map.island_faces[island]
        former = before.uv_map.face_islands[faces].to_a.uniq
        same =
          before.uv_map.face_mapped[faces].all? && former.size == 1 &&
            before.uv_map.island_faces[former.first].size == faces.size
        return Change.new(island: island, cut_anew: true) unless same

        from, to = [before, after].map { |layout| places(layout, faces) }
        moved = Math.sqrt(((to.mean(axis: 0) - from.mean(axis: 0))**2).sum)
        turn, scale, reflected = fitted(from, to)
        still = moved < STILL_PX && turn.abs < STRAIGHT_RAD && (scale - 1).abs < ALIKE && !reflected
        return if still
        Change.new(island: island, cut_anew: false, moved_px: moved, turn_rad: turn, scale: scale, reflected: reflected)
      end

      def self.places(layout, faces)
        wanted = Numo::Bit.zeros(layout.uv_map.mesh.face_count).tap { |bits| bits[faces] = 1 }
        layout.sheet.to_px(layout.corner_uvs)[wanted[layout.uv_map.mesh.corner_faces].where, true]
      end

      # @return [Array(Float, Float, Boolean)] turn, scale, and whether it is reflected
      def self.fitted(from, to)
        affine = Geometry::Affine.fit(from, to)
        side = affine.determinant.negative? ? -1 : 1
        [
          Math.atan2(affine.d - (side * affine.b), affine.a + (side * affine.e)),
          Math.sqrt(affine.determinant.abs),
          side == -1
        ]
      rescue InputError # a line or a point has no turn
        [0.0, 1.0, false]
      end
      private_class_method :change, :places, :fitted
    end
  end
end
