# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # Reads COLLADA 1.4 and 1.5: the visual scene with its transformations, polygons of all kinds, normals, all UV
      # sets,
      # diffuse colours and their pictures, units and up axis (y is turned to be up). Each instance of a geometry
      # is a part. Left out, with a note: lines and points, vertex colours, skins and morphs (the shape at rest is
      # read),
      # holes of polygons, splines.
      # Source: Khronos, "COLLADA - Digital Asset Schema Release 1.5.0 Specification".
      class Reader
        # @param bytes [String]
        # @param name [String] for messages
        # @param bundle [Bundle] where pictures are looked for
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:, bundle:) = new(Document.new(bytes, name: name), bundle).send(:reading)

        def initialize(document, bundle)
          @document = document
          @notes = []
          @assembly = Assembly.new(document.name)
          @materials = Materials.new(document, bundle, @notes)
          @sources = {}
        end
        private_class_method :new

        private

        def reading
          up = Geometry::Transform.y_up_from(up_axis)
          Nodes.call(@document).each { |shown| add(shown, up) }
          mesh, sets = @assembly.build(@materials.list)
          Reading.new(
            mesh: mesh,
            uv_sets: sets,
            notes: @notes.freeze,
            format: "collada",
            unit_mm: unit_mm,
            up_axis: up_axis,
            images: @materials.images
          )
        end

        def up_axis
          { "X_UP" => "x", "Z_UP" => "z" }.fetch(@document.root.at_xpath("./asset/up_axis")&.text.to_s.strip, "y")
        end

        # "The default value for unit is 1.0 meter" (5 <asset>, <unit>).
        def unit_mm
          meters = Float(@document.root.at_xpath("./asset/unit")&.[]("meter") || 1.0, exception: false)
          meters&.finite? && meters.between?(1e-9, 1e3) ? meters * 1000 : 1000.0
        end

        def add(shown, up)
          mesh = shown.geometry.at_xpath("./mesh") or
            return note("shape_ignored", shown.geometry, "splines and convex meshes are left out")
          if shown.skinned
            note(
              "skin_not_applied",
              shown.geometry,
              "the pose of skin or morph is not applied; the shape at rest is read"
            )
          end
          part = @assembly.part(shown.name)
          mesh.element_children.each do |element|
            if Primitives::KINDS.include?(element.name)
              add_faces(element, mesh, shown, part, up.dot(shown.matrix))
            elsif %w[lines linestrips].include?(element.name)
              note("lines_ignored", element, "lines have no surface to paint and are left out")
            end
          end
        end

        def add_faces(element, mesh, shown, part, matrix)
          faces = Primitives.call(@document, element)
          note("faces_changed", element, faces.left_out) if faces.left_out
          note("vertex_colours_ignored", element, "vertex colours are not kept") if faces.inputs.key?("COLOR")
          return if faces.sizes.empty?

          column, inputs = vertex_inputs(faces, mesh, element)
          positions, vertices = values(inputs["POSITION"]&.first&.at(1), 3, column, faces, element)
          normal = faces.inputs["NORMAL"]&.first || inputs["NORMAL"]&.first
          @assembly.add(
            Assembly::Piece.new(
              part: part,
              material: @materials.index(faces.symbol, shown.instance),
              positions: positions,
              sizes: faces.sizes,
              vertices: vertices,
              uvs: uvs(faces, inputs, column, element),
              matrix: matrix,
              normals: normal && values(normal[1], 3, normal[0] || column, faces, element)
            )
          )
        end

        # @return [Array] the offset of VERTEX, and the inputs of <vertices>
        def vertex_inputs(faces, mesh, element)
          offset, source, = faces.inputs["VERTEX"]&.first
          @document.fail_at(element, "an input with semantic VERTEX is lacking") unless offset
          vertices =
            mesh.xpath("./vertices").find { |child| "##{child["id"]}" == source } ||
              @document.fail_at(element, "vertices #{source.inspect} are not in this mesh")
          [
            offset,
            vertices
              .xpath("./input")
              .group_by { |input| input["semantic"] }
              .transform_values { |inputs| inputs.map { |input| [nil, input["source"], input["set"].to_i] } }
          ]
        end

        def uvs(faces, inputs, column, element)
          found = (faces.inputs["TEXCOORD"] || []) + (inputs["TEXCOORD"] || [])
          found
            .sort_by { |_offset, _source, set| set }
            .to_h { |offset, source, set| ["TEXCOORD #{set}", values(source, 2, offset || column, faces, element)] }
        end

        # @return [Array(Numo::DFloat, Numo::Int64)] the source's values, and the index by corner
        def values(url, width, column, faces, element)
          source = @sources[[url, width]] ||= source(@document.at(url, "source", element), width)
          corners = faces.rows[true, column].copy
          if corners.max >= source.shape[0]
            @document.fail_at(element, "#{url} has no entry #{corners.max}; it has #{source.shape[0]}")
          end
          [source, corners]
        end

        def source(element, width)
          accessor =
            element.at_xpath("./technique_common/accessor") || @document.fail_at(element, "the source has no accessor")
          array = @document.find(accessor["source"]) || element.at_xpath("./float_array")
          numbers = @document.floats(array)
          stride = @document.whole(accessor, "stride", 1)
          start = @document.whole(accessor, "offset", 0)
          # Params without a name are passed over.
          places =
            accessor.xpath("./param").each_with_index.filter_map { |param, i| i unless param["name"].to_s.empty? }
          places = (0...width).to_a if places.size < width
          places = places.first(width)
          @document.fail_at(accessor, "#{width} numbers don't fit in a stride of #{stride}") if stride <= places.max
          count = [@document.whole(accessor, "count", 0), (numbers.size - start) / stride].min
          return Numo::DFloat.zeros(0, width) if count < 1

          numbers[start...(start + (count * stride))].reshape(count, stride)[true, places].copy
        end

        def note(code, element, message)
          @notes << Note.new(
            code: code,
            message: "#{@document.name}, line #{element.line}: #{message}",
            where: {
              file: @document.name,
              line: element.line
            }
          )
        end
      end
    end
  end
end
