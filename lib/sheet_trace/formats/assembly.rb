# frozen_string_literal: true

module SheetTrace
  module Formats
    # Puts a mesh together from the pieces that a file holds, each with a place in space: what glTF, COLLADA and PLY
    # share.
    class Assembly
      # part [String]; material [Integer] index
      # positions [Numo::DFloat] n x 3; sizes [Numo::Int64] corners of each face; vertices [Numo::Int64] by corner
      # uvs [Hash{String => Array(Numo::DFloat, Numo::Int64)}] set name => T x 2 values and an index by corner
      # normals, colors [Array(Numo::DFloat, Numo::Int64), nil] values and an index by corner; colours as Mesh has them
      # matrix [Numo::DFloat, nil] 4 x 4
      # mapped [Hash{String => Numo::Bit}, nil] by face, for sets that not all of them are in
      Piece =
        Struct.new(
          :part,
          :material,
          :positions,
          :sizes,
          :vertices,
          :uvs,
          :normals,
          :colors,
          :matrix,
          :mapped,
          keyword_init: true
        )

      # @param name [String] of the file
      # @param weld [Boolean] vertices of a part that lie in the same place become one: for formats that
      #   split vertices where UVs or normals part
      def initialize(name, weld: false)
        @name = name
        @weld = weld
        @pieces = []
        @parts = {}
        @numbers = {}
        @faces = 0
        @vertices = 0
        @uvs = 0
      end

      # @return [String] the part's name, with a number if another has it
      def part(wanted)
        wanted = wanted.to_s.strip.empty? ? "Part" : wanted.to_s.strip
        name = wanted
        name = "#{wanted} #{@numbers[wanted] = @numbers.fetch(wanted, 1) + 1}" while @parts.key?(name)
        @parts[name] = @parts.size
        name
      end

      # @param piece [Piece] with at least one face
      # @raise [FormatError] if a number is not finite
      # @raise [LimitError] where: { limit:, got: }
      def add(piece)
        @vertices += piece.positions.shape[0]
        @faces += piece.sizes.size
        @uvs += piece.uvs.values.sum { |values, _corners| values.shape[0] }
        Limits.validate(@name, vertices: @vertices, faces: @faces, uvs: @uvs)
        [piece.positions, *piece.uvs.values.map(&:first)].each do |numbers|
          next if numbers.empty? || numbers.isfinite.all?

          raise FormatError.new(
                  "#{@name}, part #{piece.part}: a coordinate is not a finite number",
                  where: {
                    file: @name,
                    part: piece.part
                  }
                )
        end
        @pieces << placed(piece)
      end

      def empty? = @pieces.empty?

      # @return [Array(Mesh, Array<UvSet>)]
      # @raise [FormatError] if no piece was added; where: { file: }
      def build(materials)
        if empty?
          raise FormatError.new(
                  "#{@name} holds no faces; export the surface, not only its points or lines",
                  where: {
                    file: @name
                  }
                )
        end

        mesh = mesh(materials)
        names = @pieces.flat_map { |piece| piece.uvs.keys }.uniq
        [mesh, (names.empty? ? ["none"] : names).map { |name| uv_set(name) }]
      end

      private

      def placed(piece)
        matrix = piece.matrix or return piece

        turned = piece.dup
        turned.positions = Geometry::Transform.apply(matrix, piece.positions)
        if piece.normals
          turned.normals = [Geometry::Transform.apply_to_normals(matrix, piece.normals[0]), piece.normals[1]]
        end
        Geometry::Transform.determinant(matrix).negative? ? reversed(turned) : turned
      end

      # A mirrored piece is turned inside out; its corners are taken in the other direction.
      def reversed(piece)
        faces = Geometry::Grouped.repeat(piece.sizes)
        starts = piece.sizes.cumsum - piece.sizes
        order = starts[faces] + piece.sizes[faces] - 1 - Geometry::Grouped.places(piece.sizes, faces)
        piece.vertices = piece.vertices[order]
        piece.uvs = piece.uvs.transform_values { |values, corners| [values, corners[order]] }
        piece.normals = [piece.normals[0], piece.normals[1][order]] if piece.normals
        piece.colors = [piece.colors[0], piece.colors[1][order]] if piece.colors
        piece
      end

      def mesh(materials)
        sizes = join(@pieces.map(&:sizes))
        starts = Numo::Int32.zeros(sizes.size + 1)
        starts[1..] = sizes.cumsum
        positions, vertices = vertices_of
        Mesh.new(
          positions: positions,
          face_starts: starts,
          corner_vertices: Numo::Int32.cast(vertices),
          parts: @parts.keys,
          materials: materials,
          face_parts: per_face { |piece| @parts.fetch(piece.part) },
          face_materials: per_face(&:material),
          corner_normals: normals,
          corner_colors: colors
        )
      end

      def vertices_of
        positions = join_rows(@pieces.map(&:positions), 3)
        vertices = join(shifted(@pieces.map(&:vertices), @pieces.map { |piece| piece.positions.shape[0] }))
        return positions, vertices unless @weld

        parts =
          Numo::Int64.cast(@pieces.map { |piece| @parts.fetch(piece.part) })[
            Geometry::Grouped.repeat(Numo::Int64.cast(@pieces.map { |piece| piece.positions.shape[0] }))
          ]
        ranks, count =
          (0..2).reduce([parts, @parts.size]) do |(so_far, _), axis|
            Geometry::Grouped.pair_ranks(so_far, *Geometry::Grouped.ranks(positions[true, axis]))
          end
        [positions[Geometry::Grouped.representatives(ranks, count), true], ranks[vertices]]
      end

      # Flat where a piece has none, nil where none has any.
      def normals
        return if @pieces.none?(&:normals)

        rows =
          @pieces.map do |piece|
            piece.normals ? piece.normals[0][piece.normals[1], true] : Numo::DFloat.zeros(piece.vertices.size, 3)
          end
        Geometry::Vectors.unit(join_rows(rows, 3))
      end

      # White where a piece has none, nil where none has any.
      def colors
        return if @pieces.none?(&:colors)

        join_rows(
          @pieces.map do |piece|
            piece.colors ? piece.colors[0][piece.colors[1], true] : Numo::DFloat.ones(piece.vertices.size, 4)
          end,
          4
        ).clip(0.0, 1.0)
      end

      def uv_set(name)
        pairs =
          @pieces.map { |piece| piece.uvs[name] || [Numo::DFloat.zeros(0, 2), Numo::Int64.zeros(piece.vertices.size)] }
        mapped =
          join(
            @pieces.map do |piece|
              piece.mapped&.[](name) || Numo::Int64.new(piece.sizes.size).fill(piece.uvs.key?(name) ? 1 : 0)
            end
          )
        UvSet.new(
          name: name,
          uvs: join_rows(pairs.map(&:first), 2),
          face_mapped: mapped.eq(1),
          corner_uvs: Numo::Int32.cast(join(shifted(pairs.map(&:last), pairs.map { |values, _| values.shape[0] })))
        )
      end

      def per_face(&)
        counts = Numo::Int64.cast(@pieces.map { |piece| piece.sizes.size })
        Numo::Int32.cast(@pieces.map(&))[Geometry::Grouped.repeat(counts)]
      end

      def shifted(lists, counts)
        start = 0
        lists.zip(counts).map { |list, count| (list + start).tap { start += count } }
      end

      def join(lists) = Numo::Int64.from_binary(lists.map { |list| Numo::Int64.cast(list).to_binary }.join)

      def join_rows(lists, width)
        bytes = lists.map { |list| Numo::DFloat.cast(list).to_binary }.join
        if bytes.empty?
          Numo::DFloat.zeros(0, width)
        else
          Numo::DFloat.from_binary(bytes, [bytes.bytesize / 8 / width, width])
        end
      end
    end
  end
end
