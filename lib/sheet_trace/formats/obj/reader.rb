# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Reads Wavefront OBJ text in UTF-8 or UTF-16: v, vt, vn, f with absolute and negative indices, o, g, s, usemtl,
      # mtllib (as many as there are), line continuations. Polygons stay polygons. What is not kept (lines,
      # points, curves, weights, vertex colours, and any word it does not know) comes back as a note with its count
      # and first line.
      # Source: "Object Files (.obj)", Wavefront Advanced Visualizer manual, appendix B1.
      module Reader
        # @param bytes [String] the file
        # @param name [String] its name, for messages
        # @param bundle [Bundle] where material libraries and pictures are looked for
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:, bundle:)
          scan = Scan.call(Text.decode(bytes, name: name, what: "an OBJ file"), name: name)
          refuse_if_empty(scan, name)
          Limits.validate(name, vertices: scan.vertices.size, faces: scan.face_count)
          Assemble.call(scan, name: name, bundle: bundle)
        end

        def self.refuse_if_empty(scan, name)
          if scan.vertices.empty? && scan.faces.empty?
            raise FormatError.new(
                    "#{name} is not an OBJ file: no line starts with v or f",
                    where: {
                      file: name,
                      line: 1
                    }
                  )
          end
          return unless scan.faces.empty?
          raise FormatError.new(
                  "#{name} has no faces (f lines); export the surface, not only its points",
                  where: {
                    file: name
                  }
                )
        end
        private_class_method :refuse_if_empty
      end
    end
  end
end
