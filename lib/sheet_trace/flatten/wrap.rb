# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A plain wrap with one seam at the back: each connected part goes round the upright line through its middle.
    # Across runs
    # the way round, up the height; where a part closes over at the top or below, up runs the angle of elevation, so
    # that this gets room
    # too. Flat lids that the line goes through would be crushed: they are cut off and seen straight on.
    # Source: equidistant cylindrical projection, Snyder, "Map Projections: A Working Manual", USGS 1987, chapter 12.
    module Wrap
      STEEP = 0.7 # faces that look up or down by more than this close a part over
      LID = 0.95
      ON_LINE = 1e-6
      private_constant :STEEP, :LID, :ON_LINE

      # Edges at the back, where the way round ends and begins.
      #
      # @param mesh [Mesh]
      # @return [Numo::Bit] E
      def self.seams(mesh)
        from = mesh.positions[mesh.corner_vertices, true] - middles(mesh)[mesh.corner_faces, true]
        angles = by_face(mesh, around(from))
        first, second = mesh.edges.paired_corners
        return Seams.none(mesh) if first.empty?

        torn = torn(mesh, angles, first, second)
        Seams
          .between(mesh, lids(mesh, from))
          .tap { |bits| bits[mesh.edges.corner_edges[first[torn]]] = 1 unless torn.empty? }
      end

      # @param piece [Cut::Piece] whose seam is at the back
      # @return [Numo::DFloat] n x 2, the unit of the positions
      def self.call(piece)
        return SeenFrom.call(piece, SeenFrom.box_direction(piece)) if SeenFrom.mean_normal(piece)[0, 1].abs > LID

        from = piece.positions - ((piece.positions.max(axis: 0) + piece.positions.min(axis: 0)) / 2).reshape(1, 3)
        reach = Numo::NMath.hypot(from[true, 0].copy, from[true, 2].copy)
        radius = [reach.mean, Float::MIN].max
        up = closed_over?(piece) ? Numo::NMath.atan2(from[true, 1].copy, reach) * radius : from[true, 1]
        Geometry::Vectors.columns([angles(piece, from, reach) * radius, up])
      end

      # Pairs of corners whose faces have one end of their edge on different turns.
      def self.torn(mesh, angles, first, second)
        ends, others = [first, second].map { |corners| [corners, mesh.next_corners[corners]] }
        same = mesh.corner_vertices[ends[0]].eq(mesh.corner_vertices[others[0]])
        [0, 1].map do |k|
            across = others[1 - k].copy.tap { |corners| corners[same.where] = others[k][same.where] if same.any? }
            (angles[ends[k]] - angles[across]).abs > Math::PI
          end
          .reduce(:|)
          .where
      end

      # The way round grows from vertex to vertex, from the front on, so that the two sides of the seam come out
      # apart; on the line itself
      # there is no way round, so the front is taken.
      def self.angles(piece, from, reach)
        own = around(from).to_a
        on_line = (reach < reach.max * ON_LINE).to_a
        near = neighbours(piece)
        found = Array.new(own.size)
        own
          .each_index
          .sort_by { |vertex| own[vertex].abs }
          .each { |start| grow(start, own, near, found, on_line) unless found[start] || on_line[start] == 1 }
        Numo::DFloat.cast(found.map { |angle| angle || 0.0 })
      end

      # @return [Array<Array<Integer>>] vertices that each vertex has an edge to
      def self.neighbours(piece)
        from, to = piece.directed_edges
        ends = to.concatenate(from).to_a
        Geometry::Grouped.lists(from.concatenate(to), piece.positions.shape[0]).map { |rows| ends.values_at(*rows) }
      end

      def self.grow(start, own, near, found, on_line)
        found[start] = own[start]
        queue = [start]
        queue.each do |vertex|
          near[vertex].each do |other|
            next if found[other] || on_line[other] == 1

            found[other] = own[other] - (((own[other] - found[vertex]) / (2 * Math::PI)).round * 2 * Math::PI)
            queue << other
          end
        end
      end

      def self.around(from) = Numo::NMath.atan2(from[true, 0].copy, from[true, 2].copy)

      def self.nearest(angles, middle) = angles - (((angles - middle) / (2 * Math::PI)).round * (2 * Math::PI))

      def self.by_face(mesh, angles)
        sums =
          Geometry::Grouped.sum_rows(
            mesh.corner_faces,
            Geometry::Vectors.columns([Numo::NMath.sin(angles), Numo::NMath.cos(angles)]),
            mesh.face_count
          )
        nearest(angles, Numo::NMath.atan2(sums[true, 0].copy, sums[true, 1].copy)[mesh.corner_faces])
      end

      # @return [Numo::DFloat] F x 3: the middle of the connected part that each face is of
      def self.middles(mesh)
        pieces = Cut.call(mesh, Seams.none(mesh)).face_pieces
        groups = pieces[mesh.corner_faces]
        positions = mesh.positions[mesh.corner_vertices, true]
        columns =
          Array.new(3) do |axis|
            Geometry::Grouped
              .extremes(groups, positions[true, axis].copy, pieces.max + 1)
              .then { |low, high| (low + high) / 2 }
          end
        Geometry::Vectors.columns(columns)[pieces, true]
      end

      # Faces that the upright line goes through, and what goes on flat from them.
      #
      # @return [Numo::Int32] F: 1 for lids
      def self.lids(mesh, from)
        level = Geometry::Vectors.unit(mesh.face_area_vectors)[true, 1].abs > LID
        marks = Numo::Int32.zeros(mesh.face_count)
        near = mesh.face_neighbours
        queue = (level & on_line?(mesh, from)).where.to_a.each { |face| marks[face] = 1 }
        queue.each do |face|
          near[face].each { |other| (marks[other] = 1) && (queue << other) if marks[other].zero? && level[other] == 1 }
        end
        marks
      end

      # Turns of a face's corners round the line add up to a full turn if the line goes through it. A corner on the
      # line has no turn.
      def self.on_line?(mesh, from)
        x, z = [0, 2].map { |axis| from[true, axis].copy }
        following = mesh.next_corners
        steps = Numo::NMath.atan2((z * x[following]) - (x * z[following]), (x * x[following]) + (z * z[following]))
        reach = Numo::NMath.hypot(x, z)
        corner_on_line = reach < reach.max * ON_LINE
        steps[(corner_on_line | corner_on_line[following]).where] = 0.0 if corner_on_line.any?
        Geometry::Grouped.sum(Numo::Int32.cast(mesh.corner_faces), steps, mesh.face_count).abs > Math::PI
      end

      def self.closed_over?(piece)
        corner = Array.new(3) { |k| piece.positions[piece.triangles[true, k], true] }
        normals = Geometry::Vectors.unit(Geometry::Vectors.cross(corner[1] - corner[0], corner[2] - corner[0]))
        (normals[true, 1].abs > STEEP).any?
      end
      private_class_method :torn,
                           :on_line?,
                           :angles,
                           :neighbours,
                           :grow,
                           :around,
                           :nearest,
                           :by_face,
                           :middles,
                           :lids,
                           :closed_over?
    end
  end
end
