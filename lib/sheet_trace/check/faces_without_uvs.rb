# frozen_string_literal: true

module SheetTrace
  module Check
    # Faces that lie nowhere on the sheet.
    module FacesWithoutUvs
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        faces = subject.uv_map.face_mapped.eq(0).where.to_a
        return [] if faces.empty?

        parts = faces.group_by { |face| subject.mesh.parts[subject.mesh.face_parts[face]] }
        places =
          parts.map do |part, some|
            Place.new(text: "#{part}: #{Check.count(some.size, "face")}", faces: some, numbers: { faces: some.size })
          end
        [
          Finding.new(
            code: "faces_without_uvs",
            severity: "error",
            message: "#{Check.count(faces.size, "face lies", "faces lie")} nowhere on the sheet",
            meaning: "#{faces.one? ? "It stays" : "They stay"} unpainted, whatever is on the sheet.",
            places: places,
            mend:
              Mend.new(
                label: "Lay #{faces.one? ? "it square-on beside its" : "them square-on beside their"} neighbours",
                operation: "project_faces",
                parameters: {
                  faces: faces
                }
              )
          )
        ]
      end
    end
  end
end
