# frozen_string_literal: true

module SheetTrace
  module Formats
    module Ply
      # Writes binary little-endian PLY: polygons with the UVs of their corners, normals where all corners at a vertex
      # agree (PLY holds one for each vertex), colours of vertices, and the picture's name if there is one.
      # Leaves out: parts, materials but for the first picture, normals that differ at a vertex, UV sets behind the
      # first, units.
      # Source: Turk, "The PLY Polygon File Format", Stanford, 1994; texcoord and TextureFile: common practice, no
      #   source.
      module Writer
        # Normals that differ by less are the same, per component of a unit vector.
        SAME_NORMAL = 1e-5

        # @param model [Model]
        # @param base_name [String] of the file NAME.ply
        # @return [Written]
        def self.call(model, base_name:)
          mesh = model.mesh
          set = model.used_sets.first
          image = mesh.materials.filter_map(&:image).first
          count = mesh.face_sizes.max > 127 ? %w[uint L<] : %w[uchar C]
          normals = vertex_normals(mesh)
          colors, averaged = model.vertex_colors
          files = {
            "#{base_name}.ply" =>
              head(mesh, set, image, count[0], normals, colors) + vertices(mesh, normals, colors) +
                faces(mesh, set, count[1])
          }
          files[image] = model.images[image] if image && model.images[image]
          left_out = notes(model, image, normals_differ: mesh.corner_normals && !normals)
          left_out << Written.colors_averaged("PLY") if averaged
          Written.new(files: files, notes: left_out)
        end

        # @return [Numo::DFloat, nil] n x 3, nil where there are none or the corners at some vertex disagree
        def self.vertex_normals(mesh)
          return unless mesh.corner_normals

          normals = Numo::DFloat.zeros(mesh.vertex_count, 3)
          normals[mesh.corner_vertices, true] = mesh.corner_normals
          normals if (normals[mesh.corner_vertices, true] - mesh.corner_normals).abs.max < SAME_NORMAL
        end

        # @return [String] a record for each vertex: numbers of eight bytes, then the colour's of one
        def self.vertices(mesh, normals, colors)
          numbers = normals ? Numo::NArray.hstack([mesh.positions, normals]) : mesh.positions
          return numbers.to_binary unless colors

          bytes = Numo::UInt8.from_binary(numbers.to_binary, [mesh.vertex_count, numbers.shape[1] * 8])
          Numo::NArray.hstack([bytes, Numo::UInt8.cast((colors * 255).round)]).to_binary
        end

        def self.head(mesh, set, image, count, normals, colors)
          [
            "ply",
            "format binary_little_endian 1.0",
            image && "comment TextureFile #{image}",
            "element vertex #{mesh.vertex_count}",
            *["x", "y", "z", *(%w[nx ny nz] if normals)].map { |axis| "property double #{axis}" },
            *(%w[red green blue alpha].map { |name| "property uchar #{name}" } if colors),
            "element face #{mesh.face_count}",
            "property list #{count} int vertex_indices",
            set && "property list #{count} double texcoord",
            "end_header",
            ""
          ].compact.join("\n").b
        end

        def self.faces(mesh, set, count)
          vertices = mesh.corner_vertices.to_a
          starts = mesh.face_starts.to_a
          uvs = set && set.uvs[set.corner_uvs, true].to_a
          mapped = set && set.face_mapped.to_a
          Array
            .new(mesh.face_count) do |face|
              corners = starts[face]...starts[face + 1]
              row = [corners.size, *vertices[corners]].pack("#{count} l<*")
              next row unless set
              next row + [0].pack(count) unless mapped[face] == 1

              row + [2 * corners.size, *uvs[corners].flatten].pack("#{count} E*")
            end
            .join
        end

        def self.notes(model, image, normals_differ:)
          mesh = model.mesh
          further = model.used_sets.drop(1).map(&:name)
          {
            "parts_left_out" => mesh.parts.size > 1 && "PLY knows no parts; #{mesh.parts.size} were joined",
            "materials_left_out" =>
              (mesh.materials.size > 1 || mesh.materials.any?(&:color)) &&
                "PLY knows no materials; #{image ? "only the picture #{image} is named" : "none is kept"}",
            "normals_left_out" =>
              normals_differ && "PLY holds one normal for each vertex; these differ between faces and were left out",
            "uv_sets_left_out" => further.any? && "one set of UVs is written; left out: #{further.join(", ")}",
            "unit_left_out" =>
              (model.unit_mm - 1.0).abs > 1e-12 && "PLY has no place for units; one unit is #{model.unit_mm} mm"
          }.filter_map { |code, message| Written.left_out(code, message) if message }
        end
        private_class_method :vertex_normals, :vertices, :head, :faces, :notes
      end
    end
  end
end
