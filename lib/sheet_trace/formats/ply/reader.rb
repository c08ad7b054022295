# frozen_string_literal: true

module SheetTrace
  module Formats
    module Ply
      # Reads PLY, ascii and binary in both byte orders: polygons, normals and colours of vertices, UVs by vertex (s t,
      # u v, texture_u texture_v) or by face corner (texcoord), and the picture named by a TextureFile comment. Left
      # out, with a note: colours of faces, further elements and properties.
      # Source: Turk, "The PLY Polygon File Format", Stanford, 1994; names of UVs: common practice, no source.
      class Reader
        UV_NAMES = [%w[s t], %w[u v], %w[texture_u texture_v], %w[texture_s texture_t]].freeze
        FACE_NAMES = %w[vertex_indices vertex_index].freeze
        COLOR_NAMES = %w[red green blue].freeze
        # What stands for full, by the bytes of whole numbers.
        FULL = { "C" => 255.0, "S" => 65_535.0 }.freeze
        KNOWN = ["x", "y", "z", "nx", "ny", "nz", *UV_NAMES.flatten, *FACE_NAMES, "texcoord", "texnumber"].freeze
        private_constant :UV_NAMES, :FACE_NAMES, :COLOR_NAMES, :FULL, :KNOWN

        # @param bytes [String]
        # @param name [String] for messages
        # @param bundle [Bundle] where the picture is looked for
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: } or { file:, byte: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:, bundle:) = new(bytes, name, bundle).send(:reading)

        def initialize(bytes, name, bundle)
          @name = name
          @bundle = bundle
          @notes = []
          @header = Header.new(bytes, name)
          @elements = Body.call(@header, bytes, name)
        end
        private_class_method :new

        private

        def reading
          note_left_out
          vertex = @elements["vertex"] || {}
          fail_with("it has no vertices") if vertex.empty?
          positions = table(vertex, %w[x y z]) || fail_with("its vertices lack x, y or z")
          image = image_named
          assembly = Assembly.new(@name, weld: UV_NAMES.any? { |names| names.all? { |name| vertex.key?(name) } })
          assembly.add(piece(assembly, vertex, positions))
          mesh, sets = assembly.build([Mesh::Material.new(name: "Plain", image: image&.first)])
          Reading.new(mesh: mesh, uv_sets: sets, notes: @notes.freeze, format: "ply", images: image ? [image].to_h : {})
        end

        def piece(assembly, vertex, positions)
          faces = @elements["face"] || {}
          list =
            FACE_NAMES.filter_map { |name| faces[name] }.find(&:sizes) ||
              fail_with("it has no faces; export the surface, not only its points")
          corners, sizes, kept = polygons(list, positions.shape[0])
          normals = table(vertex, %w[nx ny nz])
          Assembly::Piece.new(
            part: assembly.part(File.basename(@name, ".*")),
            material: 0,
            positions: positions,
            sizes: sizes,
            vertices: corners,
            uvs: uvs(vertex, faces, list, corners, kept),
            normals: normals && [normals, corners],
            colors: colors(vertex)&.then { |values| [values, corners] },
            mapped: mapped(faces, list)
          )
        end

        # @return [Numo::DFloat, nil] n x 4
        def colors(vertex)
          own = table(vertex, COLOR_NAMES) or return
          letters =
            @header.elements.find { |element| element.name == "vertex" }.properties.to_h { |p| [p.name, p.letter] }
          alpha = table(vertex, %w[alpha])
          share = ->(name, values) { values / FULL.fetch(letters[name][0], 1.0) }
          Numo::DFloat
            .ones(own.shape[0], 4)
            .tap do |colors|
              COLOR_NAMES.each_with_index { |name, k| colors[true, k] = share.call(name, own[true, k]) }
              colors[true, 3] = share.call("alpha", alpha[true, 0]) if alpha
            end
        end

        # @return [Array] corners of faces with at least 3, their sizes, and which places of the list they stood at
        def polygons(list, count)
          if list.sizes.empty? || list.numbers.empty?
            fail_with("it has no faces; export the surface, not only its points")
          end
          small = list.sizes < 3
          note("small_faces_ignored", "#{small.count_true} faces of fewer than 3 corners are left out") if small.any?
          fail_with("it has no face of 3 or more corners") if small.all?
          kept = (~small[Geometry::Grouped.repeat(list.sizes)]).where
          corners = Numo::Int64.cast(list.numbers[kept])
          bad = ((corners < 0) | (corners >= count)).where
          fail_with("vertex #{corners[bad[0]]} does not exist; the file has #{count}") unless bad.empty?
          [corners, list.sizes[(~small).where], kept]
        end

        def uvs(vertex, faces, list, corners, kept)
          sets = {}
          by_corner = faces["texcoord"]
          if by_corner && texcoords?(by_corner, list)
            sets["texcoord"] = texcoords(by_corner, list, kept)
          elsif by_corner
            note("face_uvs_ignored", "texcoord does not have two numbers for each corner of each face, and is left out")
          end
          UV_NAMES.each { |names| table(vertex, names)&.then { |values| sets[names.join(" ")] = [values, corners] } }
          sets
        end

        # Two numbers a corner, or none for a face without UVs.
        def texcoords?(by_corner, list)
          by_corner.sizes && (by_corner.sizes.eq(list.sizes * 2) | by_corner.sizes.eq(0)).all? &&
            !by_corner.numbers.empty?
        end

        def texcoords(by_corner, list, kept)
          places = Numo::Int64.zeros(list.sizes.sum)
          given = by_corner.sizes.gt(0)[Geometry::Grouped.repeat(list.sizes)].where
          places[given] = Numo::Int64.new(given.size).seq
          [by_corner.numbers.reshape(by_corner.numbers.size / 2, 2), places[kept]]
        end

        def mapped(faces, list)
          by_corner = faces["texcoord"]
          { "texcoord" => by_corner.sizes.gt(0)[(list.sizes >= 3).where] } if by_corner && texcoords?(by_corner, list)
        end

        def table(element, names)
          columns = names.map { |name| element[name] }
          return unless columns.all? { |column| column && column.sizes.nil? }

          Geometry::Vectors.columns(columns.map(&:numbers))
        end

        def image_named
          file = @header.comments.filter_map { |comment| comment[/\ATextureFile\s+(.+)\z/i, 1] }.first or return
          path, bytes = @bundle.find(file)
          return File.basename(path), bytes if bytes

          note("picture_not_found", "the picture #{file} was not brought along")
          nil
        end

        def note_left_out
          @header.elements.each do |element|
            names = element.properties.map(&:name)
            colored = element.name == "vertex" && (COLOR_NAMES - names).empty?
            strange = names - KNOWN - (colored ? [*COLOR_NAMES, "alpha"] : [])
            if !%w[vertex face].include?(element.name)
              note("element_ignored", "#{element.records} of #{element.name} are left out") if element.records.positive?
            elsif strange.any?
              note("properties_ignored", "#{strange.first(8).join(", ")} of #{element.name} are left out")
            end
          end
        end

        def note(code, message)
          @notes << Note.new(code: code, message: "#{@name}: #{message}", where: { file: @name })
        end
        def fail_with(message) = Fault.at(@name, message)
      end
    end
  end
end
