# frozen_string_literal: true

module SheetTrace
  module Check
    # Parts that have no faces.
    module EmptyParts
      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        mesh = subject.mesh
        filled = mesh.face_parts.bincount(minlength: mesh.parts.size).to_a
        empty = mesh.parts.each_index.select { |part| filled[part].zero? }
        return [] if empty.empty?

        [
          Finding.new(
            code: "empty_parts",
            severity: "hint",
            message: "#{Check.count(empty.size, "part has", "parts have")} no faces",
            meaning: "There is nothing on them to paint. Perhaps the export left something out.",
            places: empty.map { |part| Place.new(text: mesh.parts[part]) }
          )
        ]
      end
    end
  end
end
