# frozen_string_literal: true

module SheetTrace
  module Check
    # Faces with area on the model and none on the sheet.
    module FlatOnSheet
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        map = subject.uv_map
        large, small = subject.jacobians.singular_values
        flat = ((subject.jacobians.area_mm2 > 0) & (small <= large * 1e-9)).where
        return [] if flat.empty?

        faces = map.triangles.faces[flat].to_a.uniq.group_by { |face| map.face_islands[face] }
        places =
          faces.map do |island, some|
            Place.new(
              text: "#{subject.names[island]}: #{Check.count(some.size, "face")}",
              islands: [island],
              faces: some,
              numbers: {
                faces: some.size
              }
            )
          end
        [
          Finding.new(
            code: "flat_on_sheet",
            severity: "error",
            message: "#{Check.count(faces.values.sum(&:size), "face has", "faces have")} no area on the sheet",
            meaning: "They show a smear of one line or one texel.",
            places: places,
            mend:
              Mend.new(
                label: "Lay them square-on beside their neighbours",
                operation: "project_faces",
                parameters: {
                  faces: faces.values.flatten
                }
              )
          )
        ]
      end
    end
  end
end
