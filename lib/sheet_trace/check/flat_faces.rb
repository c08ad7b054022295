# frozen_string_literal: true

module SheetTrace
  module Check
    # Faces without area on the model.
    module FlatFaces
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        mesh = subject.mesh
        areas = Geometry::Vectors.lengths(mesh.face_area_vectors)
        faces = (areas <= areas.max * 1e-12).where.to_a
        return [] if faces.empty?

        places =
          faces
            .group_by { |face| mesh.parts[mesh.face_parts[face]] }
            .map do |part, some|
              Place.new(text: "#{part}: #{Check.count(some.size, "face")}", faces: some, numbers: { faces: some.size })
            end
        [
          Finding.new(
            code: "flat_faces",
            severity: "hint",
            message: "#{Check.count(faces.size, "face has", "faces have")} no area on the model",
            meaning: "Nobody will see them; they only clutter the template.",
            places: places
          )
        ]
      end
    end
  end
end
