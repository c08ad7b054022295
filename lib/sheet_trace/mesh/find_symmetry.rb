# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Finds a plane about which a mesh is its own mirror image: vertices onto vertices, faces onto faces. Planes
    # square to the
    # axes come first, left and right before front and back before top and bottom, then those square to the principal
    # axes;
    # each goes through the middle of the vertices. O(V) in a grid of cells for each plane.
    class FindSymmetry
      # How far apart mirrored vertices may lie, as a share of the model's size.
      TOLERANCE = 1e-4
      SAME_PLACE = 1e-7
      AXES = [[1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, 1.0, 0.0]].freeze
      private_constant :TOLERANCE, :SAME_PLACE, :AXES

      # @param mesh [Mesh]
      # @param tolerance [Float] as a share of the model's longest side
      # @return [Symmetry, nil]
      def self.call(mesh, tolerance: TOLERANCE) = new(mesh, tolerance).send(:found)

      def initialize(mesh, share)
        @mesh = mesh
        low, high = mesh.bounds
        @tolerance = low.zip(high).map { |a, b| b - a }.max * share
        @used = mesh.corner_vertices.to_a.uniq.sort
        @places = mesh.positions[@used, true]
        @middle = ((@places.max(axis: 0) + @places.min(axis: 0)) / 2).to_a
        @mean = @places.mean(axis: 0).to_a
      end
      private_class_method :new

      private

      def found
        return unless @tolerance.positive?

        planes.each { |normal, offset| (symmetry = about(normal, offset)) and return symmetry }
        nil
      end

      # Along the axes the middle of the box is exact; along the others only the mean of the vertices is at hand.
      def planes
        along = AXES.each_with_index.map { |normal, i| [normal, @middle[[0, 2, 1][i]]] }
        from = @places - Numo::DFloat[@mean]
        covariance = Array.new(3) { |i| Array.new(3) { |j| (from[true, i] * from[true, j]).mean } }
        leaning =
          Geometry::SymmetricEigen
            .call(covariance)
            .map(&:last)
            .reject { |normal| normal.any? { |part| part.abs > 1 - 1e-6 } }
        along + leaning.map { |normal| [normal, normal.zip(@mean).sum { |a, b| a * b }] }
      end

      def about(normal, offset)
        symmetry = Symmetry.new(normal: normal, offset: offset, tolerance: @tolerance)
        twins, error = place_twins(symmetry.reflect(@places))
        corners = twins && corner_twins(twins) or return
        Symmetry.new(**symmetry.to_h, error: error, **elements(corners))
      end

      # Vertices in one place count as one here: a seam of the file or a hard edge may have split them.
      def place_numbers = @place_numbers ||= Mesh.place_ranks(@mesh, SAME_PLACE).to_a

      # @return [Array(Hash{Integer => Integer}, Float), nil] place => its mirror image, and how far the worst lies off
      def place_twins(mirrored)
        error = 0.0
        twins = {}
        @used.zip(mirrored.to_a) do |vertex, place|
          next if twins.key?(place_numbers[vertex])

          nearest, distance = nearest(place)
          return nil unless nearest

          error = distance if distance > error
          twins[place_numbers[vertex]] = place_numbers[nearest]
        end
        # The way back must lead home.
        [twins, error] if twins.all? { |from, to| twins[to] == from }
      end

      def cells
        @cells ||=
          @used
            .zip(@places.to_a)
            .each_with_object(Hash.new { |all, key| all[key] = [] }) do |(vertex, place), all|
              all[place.map { |x| (x / (2 * @tolerance)).floor }] << [vertex, place]
            end
      end

      # Within the tolerance of a place lie at most the eight cells nearest to it.
      def nearest(place)
        best = nil
        least = @tolerance
        ranges =
          place.map do |x|
            [((x - @tolerance) / (2 * @tolerance)).floor, ((x + @tolerance) / (2 * @tolerance)).floor].uniq
          end
        ranges[0].product(ranges[1], ranges[2]) do |key|
          next unless cells.key?(key)

          cells[key].each do |vertex, at|
            distance = Math.sqrt(((at[0] - place[0])**2) + ((at[1] - place[1])**2) + ((at[2] - place[2])**2))
            best, least = vertex, distance if distance < least || (best.nil? && distance <= least)
          end
        end
        [best, least]
      end

      # @return [Array<Integer>, nil] C: the corner that each becomes; nil if a face has no counterpart
      def corner_twins(twins)
        places = place_numbers.values_at(*@mesh.corner_vertices.to_a)
        starts = @mesh.face_starts.to_a
        known = Hash.new { |all, key| all[key] = [] }
        starts.each_cons(2).with_index { |(from, to), face| known[places[from...to].sort] << face }
        found = Array.new(places.size)
        starts
          .each_cons(2)
          .with_index do |(from, to), face|
            wanted = places[from...to].map { |place| twins[place] }
            faces = known.fetch(wanted.sort, nil) or return nil
            twin = faces.size == 1 ? faces.first : faces.find { |other| other != face } || face
            own = (starts[twin]...starts[twin + 1]).to_a
            (from...to).each { |corner| found[corner] = own.find { |other| places[other] == wanted[corner - from] } }
          end
        found
      end

      def elements(corners)
        corners = Numo::Int64.cast(corners)
        vertices = Numo::Int64.new(@mesh.vertex_count).seq
        vertices[@mesh.corner_vertices] = @mesh.corner_vertices[corners]
        faces = @mesh.corner_faces[corners[@mesh.face_starts[0...-1]]]
        { vertex_twins: vertices, face_twins: faces, edge_twins: edge_twins(corners), corner_twins: corners }
      end

      # An edge runs from a corner to the one that follows; mirrored, it runs back.
      def edge_twins(corners)
        ends = [corners, corners[@mesh.next_corners]]
        following = @mesh.next_corners[ends[1]]
        start = ends[1].copy # a view would write through to the corners
        ahead = following.ne(ends[0]).where
        start[ahead] = ends[0][ahead] unless ahead.empty?
        Numo::Int64
          .new(@mesh.edges.count)
          .seq
          .tap { |edges| edges[@mesh.edges.corner_edges] = @mesh.edges.corner_edges[start] }
      end
    end
  end
end
