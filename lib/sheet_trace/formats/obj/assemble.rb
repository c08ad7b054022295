# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Turns scanned lines into a mesh with UVs: reads the numbers, resolves negative and one-based
      # indices, and checks their range.
      class Assemble
        UV_AT = { v: nil, v_vt: 1, v_vt_vn: 1, v__vn: nil }.freeze
        STRIDE = { v: 1, v_vt: 2, v_vt_vn: 3, v__vn: 2 }.freeze
        private_constant :UV_AT, :STRIDE

        # @param scan [Scan]
        # @param name [String] the file's name, for messages
        # @return [Reading]
        # @raise [FormatError] where: { file:, line: }
        def self.call(scan, name:) = new(scan, name).send(:reading)

        def initialize(scan, name)
          @scan = scan
          @name = name
          @notes = scan.notes.dup
        end
        private_class_method :new

        private

        def reading
          @positions = coordinates(@scan.vertices, 3, 3, "vertex_extras_ignored", "vertex colours or weights are not kept")
          @uvs = coordinates(@scan.uvs, 1, 2, "uv_depth_ignored", "the third number of vt is not kept")
          runs = @scan.faces.map { |run| corners_of(run) }
          mesh = mesh_of(runs)
          mapped = per_face(runs) { |run| UV_AT[run.style] ? 1 : 0 }
          note_missing_uvs(mapped)
          note_flat_faces(mesh)
          Reading.new(mesh: mesh, uvs: @uvs, corner_uvs: join(runs.map { |run| run[:uvs] }), face_mapped: mapped.eq(1), notes: @notes.freeze)
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
          uv_column = UV_AT[run.style]
          { run: run, sizes: sizes,
            vertices: resolve(numbers[true, 0], run.vertex_count, @positions.shape[0], "vertex", run, sizes),
            uvs: if uv_column then resolve(numbers[true, uv_column], run.uv_count, @uvs.shape[0], "UV", run, sizes)
                 else
                   Numo::Int32.zeros(numbers.shape[0])
                 end }
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

        def mesh_of(runs)
          sizes = Numo::Int32.cast(runs.flat_map { |run| run[:sizes] })
          starts = Numo::Int32.zeros(sizes.size + 1)
          starts[1..] = sizes.cumsum
          Mesh.new(positions: @positions, face_starts: starts, corner_vertices: join(runs.map { |run| run[:vertices] }),
                   face_parts: per_face(runs, &:part), parts: @scan.parts,
                   face_materials: per_face(runs, &:material), materials: @scan.materials)
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
            note("faces_without_uvs", "faces without UVs lie on no island and can't be painted", lines.values_at(*missing.to_a))
          end
        end

        def note_flat_faces(mesh)
          areas = Geometry::Vectors.lengths(mesh.face_area_vectors)
          flat = (areas <= areas.max * 1e-12).where
          return if flat.empty?

          note("faces_without_area", "faces of no area can't carry paint; look at their corners", face_lines.values_at(*flat.to_a))
        end

        def face_lines = @face_lines ||= @scan.faces.flat_map { |run| Array.new(run.lines.size) { |i| run.lines.number(i) } }

        def note(code, message, lines)
          place = lines.size == 1 ? "line #{lines.first}" : "#{lines.size} lines, the first is line #{lines.first}"
          @notes << Note.new(code: code, message: "#{@name}, #{place}: #{message}", where: { file: @name, line: lines.first, count: lines.size })
        end

        def fail_at(line, message)
          raise FormatError.new("#{@name}, line #{line}: #{message}", where: { file: @name, line: line })
        end
      end
    end
  end
end
