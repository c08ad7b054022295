# frozen_string_literal: true

module SheetTrace
  module Check
    # Faces that lie where a face of another part, or the same face again, lies.
    module SamePlace
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        mesh = subject.mesh
        groups = Mesh::CoincidingFaces.call(mesh)
        return [] if groups.empty?

        by_parts = groups.group_by { |faces| faces.map { |face| mesh.parts[mesh.face_parts[face]] }.uniq }
        places =
          by_parts.map do |parts, some|
            where =
              (
                if parts.size == 1
                  "#{parts.first}: #{Check.count(some.size, "face")} twice"
                else
                  "#{parts.join(" and ")}: #{Check.count(some.size, "face")}"
                end
              )
            Place.new(text: where, faces: some.flatten, numbers: { faces: some.size })
          end
        [
          Finding.new(
            code: "same_place",
            severity: "warning",
            message: "#{Check.count(groups.size, "face lies", "faces lie")} exactly where another one lies",
            meaning:
              "Which of the two is seen is chance, and the wrong one is easily painted. Click again in the proof to " \
                "reach the one behind.",
            places: places
          )
        ]
      end
    end
  end
end
