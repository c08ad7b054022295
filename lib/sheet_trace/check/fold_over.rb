# frozen_string_literal: true

module SheetTrace
  module Check
    # Triangles that are turned over within their island.
    module FoldOver
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        map = subject.uv_map
        signed = subject.jacobians.determinant * subject.jacobians.area_mm2
        whole = Geometry::Grouped.sum(map.triangles.islands, signed, map.island_count)
        against =
          (signed * Numo::DFloat.cast(whole > 0).then { |mirrored| (mirrored * 2) - 1 }[map.triangles.islands]) < 0
        turned = against.where
        return [] if turned.empty?

        islands = map.triangles.islands[turned].to_a
        faces =
          map.triangles.faces[turned]
            .to_a
            .zip(islands)
            .group_by(&:last)
            .transform_values { |pairs| pairs.map(&:first).uniq }
        places =
          faces.map do |island, some|
            Place.new(
              text: "#{subject.names[island]}: #{Check.count(some.size, "face")}",
              islands: [island],
              faces: some,
              numbers: {
                triangles: islands.count(island)
              }
            )
          end
        [
          Finding.new(
            code: "fold_over",
            severity: "error",
            message:
              "#{Check.count(turned.size, "triangle is", "triangles are")} folded over within " \
                "#{subject.name_list(faces.keys)}",
            meaning: "Paint there shows twice, once backwards.",
            places: places
          )
        ]
      end
    end
  end
end
