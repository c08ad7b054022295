# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Turns scanned lines into a mesh with UVs, normals and materials: reads the numbers, resolves negative and
      # one-based indices, and checks their range.
      class Assemble
        UV_AT = { v: nil, v_vt: 1, v_vt_vn: 1, v__vn: nil }.freeze
        NORMAL_AT = { v: nil, v_vt: nil, v_vt_vn: 2, v__vn: 1 }.freeze
        STRIDE = { v: 1, v_vt: 2, v_vt_vn: 3, v__vn: 2 }.freeze
        # Of a line of a vertex with its colour.
        COLORED_WORDS = 6
        private_constant :UV_AT, :NORMAL_AT, :STRIDE, :COLORED_WORDS

        # @param scan [Scan]
        # @param name [String] the file's name, for messages
        # @param bundle [Bundle]
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: }
        def self.call(scan, name:, bundle:) = new(scan, name, bundle).send(:reading)

        def initialize(scan, name, bundle)
          @scan = scan
          @name = name
          @bundle = bundle
          @notes = scan.notes.dup
        end
        private_class_method :new

        private

        def reading
          @positions, colors = vertices
          @uvs = coordinates(@scan.uvs, 1, 2, "uv_depth_ignored", "the third number of vt is not kept")
          @normals =
            coordinates(
              @scan.normals,
              3,
              3,
              "normal_extras_ignored",
              "what stands behind the third number of vn is not kept"
            )
          runs = @scan.faces.map { |run| corners_of(run) }
          materials, images = Materials.call(@scan, @bundle, @notes, @name)
          mesh = mesh_of(runs, materials)
          normals = normals_of(runs, mesh)
          mesh = mesh.with(corner_normals: normals) if normals
          mesh = mesh.with(corner_colors: colors[mesh.corner_vertices, true]) if colors
          mapped = per_face(runs) { |run| UV_AT[run.style] ? 1 : 0 }
          note_missing_uvs(mapped)
          note_flat_faces(mesh)
          set =
            UvSet.new(name: "vt", uvs: @uvs, corner_uvs: join(runs.map { |run| run[:uvs] }), face_mapped: mapped.eq(1))
          Reading.new(mesh: mesh, uv_sets: [set], notes: @notes.freeze, format: "obj", images: images)
        end

        # Colours stand behind the places, from 0 to 1 or to 255: common practice, no source.
        #
        # @return [Array(Numo::DFloat, Numo::DFloat)] n x 3 places and n x 4 colours; nil where no vertex has one
        def vertices
          colored = Numo::Int64.cast(@scan.vertices.word_counts) >= COLORED_WORDS
          keep = colored.any? ? COLORED_WORDS : 3
          rows = coordinates(@scan.vertices, 3, keep, "vertex_extras_ignored", "weights of vertices are not kept")
          return rows, nil unless colored.any?

          colors = Numo::DFloat.ones(rows.shape[0], 4)
          given = colored.where
          colors[given, 0..2] = rows[given, 3..5] / (rows[given, 3..5].max > 1 ? 255.0 : 1.0)
          [rows[true, 0..2].copy, colors.clip(0.0, 1.0)]
        end

        def coordinates(lines, least, keep, code, message)
          values, longer = Numbers.floats(lines, least: least, keep: keep, file: @name)
          note(code, message, longer) unless longer.empty?
          values
        end

        # @return [Hash] sizes and lines by face; vertices and uvs by corner, from 0
        def corners_of(run)
          stride = STRIDE[run.style]
          numbers, sizes = Numbers.corners(run.lines, stride: stride, file: @name)
          small = sizes.index { |size| size < 3 }
          fail_at(run.lines.number(small), "a face of #{sizes[small]} corners; at least 3 are needed") if small
          {
            run: run,
            sizes: sizes,
            vertices: resolve(numbers[true, 0], run.vertex_count, @positions.shape[0], "vertex", run, sizes),
            uvs: column(numbers, UV_AT[run.style], run.uv_count, @uvs.shape[0], "UV", run, sizes),
            normals: column(numbers, NORMAL_AT[run.style], run.normal_count, @normals.shape[0], "normal", run, sizes)
          }
        end

        # @return [Numo::Int32] zeros where the run has no such column
        def column(numbers, at, count_so_far, count, what, run, sizes)
          at ? resolve(numbers[true, at], count_so_far, count, what, run, sizes) : Numo::Int32.zeros(numbers.shape[0])
        end

        # "If an index is negative it counts back from the last one read" (appendix B1, Referencing).
        def resolve(numbers, count_so_far, count, what, run, sizes)
          indices = numbers - 1
          back = numbers < 0
          indices[back] = numbers[back] + count_so_far if back.any?
          bad = ((indices < 0) | (indices >= count) | numbers.eq(0)).where
          unless bad.empty?
            line = run.lines.number(Geometry::Grouped.repeat(Numo::Int64.cast(sizes))[bad[0]])
            fail_at(line, "#{what} #{numbers[bad[0]]} does not exist; the file has #{count}")
          end
          Numo::Int32.cast(indices)
        end

        # As the file has them; where it has none, from its smoothing groups; where it has neither, nil.
        def normals_of(runs, mesh)
          given = per_face(runs) { |run| NORMAL_AT[run.style] ? 1 : 0 }
          groups = per_face(runs, &:smoothing)
          return if given.eq(0).all? && groups.eq(0).all?

          normals = Mesh::SmoothNormals.call(mesh, groups)
          corners = given[mesh.corner_faces].eq(1).where
          unless corners.empty?
            normals[corners, true] = Geometry::Vectors.unit(@normals)[
              join(runs.map { |run| run[:normals] })[corners],
              true
            ]
          end
          normals
        end

        def mesh_of(runs, materials)
          sizes = Numo::Int32.cast(runs.flat_map { |run| run[:sizes] })
          starts = Numo::Int32.zeros(sizes.size + 1)
          starts[1..] = sizes.cumsum
          Mesh.new(
            positions: @positions,
            face_starts: starts,
            corner_vertices: join(runs.map { |run| run[:vertices] }),
            face_parts: per_face(runs, &:part),
            parts: @scan.parts + @scan.empty_parts,
            face_materials: per_face(runs, &:material),
            materials: materials
          )
        end

        def per_face(runs)
          counts = Numo::Int64.cast(runs.map { |run| run[:sizes].size })
          Numo::Int32.cast(runs.map { |run| yield run[:run] })[Geometry::Grouped.repeat(counts)]
        end

        def join(arrays) = Numo::Int32.from_binary(arrays.map(&:to_binary).join)

        def note_missing_uvs(mapped)
          missing = mapped.eq(0).where
          return if missing.empty?

          lines = face_lines
          if missing.size == mapped.size
            note("no_uvs", "the file has no UVs (vt)", [lines.first])
          else
            note(
              "faces_without_uvs",
              "faces without UVs lie on no island and can't be painted",
              lines.values_at(*missing.to_a)
            )
          end
        end

        def note_flat_faces(mesh)
          areas = Geometry::Vectors.lengths(mesh.face_area_vectors)
          flat = (areas <= areas.max * 1e-12).where
          return if flat.empty?

          note(
            "faces_without_area",
            "faces of no area can't carry paint; look at their corners",
            face_lines.values_at(*flat.to_a)
          )
        end

        def face_lines
          @face_lines ||= @scan.faces.flat_map { |run| Array.new(run.lines.size) { |i| run.lines.number(i) } }
        end

        def note(code, message, lines)
          place = lines.size == 1 ? "line #{lines.first}" : "#{lines.size} lines, the first is line #{lines.first}"
          @notes << Note.new(
            code: code,
            message: "#{@name}, #{place}: #{message}",
            where: {
              file: @name,
              line: lines.first,
              count: lines.size
            }
          )
        end

        def fail_at(line, message)
          Fault.at(@name, message, line: line)
        end
      end
    end
  end
end
