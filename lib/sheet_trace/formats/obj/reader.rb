# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Reads Wavefront OBJ text: v, vt, f with absolute and negative indices, o, g, usemtl, line
      # continuations. Polygons stay polygons. What is not kept (normals, smoothing, lines, points, curves,
      # weights, vertex colours, and any word it does not know) comes back as a note with its count and
      # first line.
      # Source: "Object Files (.obj)", Wavefront Advanced Visualizer manual, appendix B1.
      module Reader
        MOST_VERTICES = 4_000_000
        MOST_FACES = 4_000_000

        # @param bytes [String] the file
        # @param name [String] its name, for messages
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:)
          scan = Scan.call(text_of(bytes, name), name: name)
          refuse_if_empty(scan, name)
          Assemble.call(scan, name: name)
        end

        def self.text_of(bytes, name)
          raise FormatError.new("#{name} is empty; choose an OBJ file", where: { file: name }) if bytes.strip.empty?
          raise FormatError.new("#{name} is not an OBJ file: it holds bytes that are not text", where: { file: name }) if bytes.byteslice(0, 65_536).include?("\0")

          bytes.dup.force_encoding(Encoding::UTF_8).scrub("\u{FFFD}").delete_prefix("\u{FEFF}")
        end

        def self.refuse_if_empty(scan, name)
          raise FormatError.new("#{name} is not an OBJ file: no line starts with v or f", where: { file: name, line: 1 }) if scan.vertices.empty? && scan.faces.empty?
          raise FormatError.new("#{name} has no faces (f lines); export the surface, not only its points", where: { file: name }) if scan.faces.empty?

          { "vertices" => [scan.vertices.size, MOST_VERTICES], "faces" => [scan.face_count, MOST_FACES] }.each do |what, (got, limit)|
            raise LimitError.new("#{name} has #{got} #{what}; at most #{limit} are taken", where: { limit: limit, got: got }) if got > limit
          end
        end
        private_class_method :text_of, :refuse_if_empty
      end
    end
  end
end
