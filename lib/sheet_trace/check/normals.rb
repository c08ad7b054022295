# frozen_string_literal: true

module SheetTrace
  module Check
    # Faces that look inwards, or the other way than their neighbours.
    module Normals
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        faces = Mesh::WrongFacing.call(subject.mesh)
        return [] if faces.empty?

        places =
          faces
            .to_a
            .group_by { |face| subject.mesh.face_parts[face] }
            .map do |part, some|
              all = subject.mesh.face_parts.eq(part).count_true == some.size
              Place.new(
                text:
                  "#{subject.mesh.parts[part]}: " \
                    "#{all ? "all faces look" : Check.count(some.size, "face looks", "faces look")} inwards",
                faces: some,
                numbers: {
                  faces: some.size
                }
              )
            end
        [
          Finding.new(
            code: "normals",
            severity: "warning",
            message:
              "#{Check.count(faces.size, "face looks inwards, or against its", "faces look inwards, or against their")} " \
                "neighbours",
            meaning: "They vanish where only outsides are drawn, and their islands read mirrored for no reason.",
            places: places,
            mend: Mend.new(label: "Turn them round", operation: "flip_normals", parameters: { faces: faces.to_a })
          )
        ]
      end
    end
  end
end
