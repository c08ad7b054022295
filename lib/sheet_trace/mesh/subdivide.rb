# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Makes smaller faces of some, without a change of the surface: each triangle and each piece of a dented face
    # becomes four, every other face one
    # quadrilateral for each of its corners. Faces beside them get the new vertices on their edges, so that the
    # surface stays closed.
    class Subdivide
      # mesh [Mesh]; origins [Numo::Int64] F': the former face that each face is of
      # owners, sources [Numo::Int64] n: corner owners[k] lies in the middle of all former corners sources[k] that are
      # named for it
      # middles [Hash{Integer => Integer}] former edge => the vertex in its middle
      Subdivided =
        Struct.new(:mesh, :origins, :owners, :sources, :middles, keyword_init: true) do
          # @param values [Numo::DFloat] C x k by former corner
          # @return [Numo::DFloat] C' x k
          def carry(values)
            counts = owners.bincount
            Geometry::Grouped.sum_rows(owners, values[sources, true], counts.size) / counts.expand_dims(1)
          end
        end

      # @param mesh [Mesh]
      # @param faces [Array<Integer>]
      # @return [Subdivided] its faces in the order of the former ones
      def self.call(mesh, faces) = new(mesh, faces).send(:subdivided)

      def initialize(mesh, faces)
        @mesh = mesh
        @chosen = Numo::Bit.zeros(mesh.face_count).tap { |bits| bits[faces] = 1 }
        @positions = []
        @middles = {} # of an edge, a face or a diagonal: the new vertex there
        @rows = [] # faces to be: [former face, [[vertex, former corners], ...]]
      end
      private_class_method :new

      private

      def subdivided
        @split =
          Numo::Bit
            .zeros(@mesh.edges.count)
            .tap { |bits| bits[@mesh.edges.corner_edges[@chosen[@mesh.corner_faces].where]] = 1 }
        @mesh.face_count.times { |face| add(face, (@mesh.face_starts[face]...@mesh.face_starts[face + 1]).to_a) }
        build
      end

      def add(face, corners)
        if @chosen[face].zero?
          @rows << [face, corners.flat_map { |corner| [own(corner), *([middle(corner)] if @split[edge(corner)] == 1)] }]
        elsif corners.size > 3 && round?(face)
          centre = place([:face, face], corners)
          corners.each_with_index do |corner, i|
            @rows << [face, [own(corner), middle(corner), centre, middle(corners[i - 1])]]
          end
        else
          triangles_of(face).each { |three| quarter(face, three) }
        end
      end

      def quarter(face, three)
        tips = three.map { |corner| own(corner) }
        sides = three.each_index.map { |i| between(three[i], three[(i + 1) % 3]) }
        3.times { |i| @rows << [face, [tips[i], sides[i], sides[i - 1]]] }
        @rows << [face, sides]
      end

      def own(corner) = [@mesh.corner_vertices[corner], [corner]]

      def edge(corner) = @mesh.edges.corner_edges[corner]

      # The middle of the edge from a corner to the next.
      def middle(corner) = place(edge(corner), [corner, @mesh.next_corners[corner]])

      def between(from, to)
        return middle(from) if @mesh.next_corners[from] == to

        @mesh.next_corners[to] == from ? place(edge(to), [from, to]) : place([from, to].minmax, [from, to])
      end

      def place(key, corners)
        vertex =
          @middles[key] ||= begin
            @positions << @mesh.positions[@mesh.corner_vertices[corners], true].mean(axis: 0).to_a
            @mesh.vertex_count + @positions.size - 1
          end
        [vertex, corners]
      end

      # @return [Array<Array<Integer>>] three corners each
      def triangles_of(face)
        cut = @mesh.triangulation
        @first_triangles ||=
          cut.faces.to_a.each_with_index.group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
        cut.corners[@first_triangles.fetch(face), true].to_a
      end

      def round?(face) = (@dents ||= Triangulate.dented_faces(@mesh))[face].zero?

      def build
        corners = @rows.flat_map(&:last)
        owners = corners.each_with_index.flat_map { |(_vertex, from), corner| [corner] * from.size }
        origins = Numo::Int64.cast(@rows.map(&:first))
        Subdivided
          .new(
            mesh: mesh_of(corners.map(&:first), origins),
            origins: origins,
            owners: Numo::Int64.cast(owners),
            sources: Numo::Int64.cast(corners.flat_map(&:last)),
            middles: @middles.select { |key, _vertex| key.is_a?(Integer) }
          )
          .then { |plain| @mesh.corner_normals ? shaded(plain) : plain }
          .then { |plain| @mesh.corner_colors ? colored(plain) : plain }
      end

      def shaded(plain)
        normals = plain.carry(@mesh.corner_normals)
        lengths = Geometry::Vectors.lengths(normals)
        lengths[lengths.eq(0)] = 1.0
        Subdivided.new(**plain.to_h, mesh: plain.mesh.with(corner_normals: normals / lengths.expand_dims(1)))
      end

      def colored(plain)
        Subdivided.new(**plain.to_h, mesh: plain.mesh.with(corner_colors: plain.carry(@mesh.corner_colors)))
      end

      def mesh_of(vertices, origins)
        starts = @rows.each_with_object([0]) { |(_face, corners), ends| ends << (ends.last + corners.size) }
        positions =
          @positions.empty? ? @mesh.positions : @mesh.positions.concatenate(Numo::DFloat.cast(@positions), axis: 0)
        @mesh.with(
          positions: positions,
          face_starts: Numo::Int32.cast(starts),
          corner_vertices: Numo::Int32.cast(vertices),
          face_parts: @mesh.face_parts[origins],
          face_materials: @mesh.face_materials[origins],
          corner_normals: nil,
          corner_colors: nil
        )
      end
    end
  end
end
