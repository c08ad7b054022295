# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Suggests cuts that lower the mean stretch of a disc below a limit: from its border or a seam, by the cheapest
    # way, to a place
    # inside it that the flat map distorts most or that lies deepest. Of such places the one whose cut helps most is
    # taken, as long
    # as a cut helps at all.
    # Source: cuts to where distortion gathers, as in Sheffer, Hart, "Seamster: inconspicuous low-distortion texture
    #   seam layout",
    #   IEEE Visualization 2002; the choice among places is our own.
    class SuggestReliefCuts
      MOST_CUTS = 6
      HELPS = 0.97 # a cut must leave no more than this share of the energy above its least
      private_constant :MOST_CUTS, :HELPS

      # edges [Array<Integer>] to cut; before, after [Float] the mean stretch
      Suggestion = Struct.new(:edges, :before, :after, keyword_init: true)

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E, which leave discs
      # @param faces [Array<Integer>] of one piece
      # @param limit [Float] mean stretch that is good enough, over 1
      # @param costs [Numo::DFloat] E
      # @return [Suggestion]
      def self.call(mesh, seams, faces, limit:, costs: CutCosts.call(mesh)) =
        new(mesh, seams, faces, costs).send(:eased, limit)

      # @param piece [Cut::Piece]
      # @param places [Numo::DFloat] n x 2
      # @return [Float] the ratio of the singular values of its triangles, the mean weighted by area
      def self.stretch(piece, places)
        ratios, area = stretches(piece, places)
        area.sum.zero? ? 1.0 : (ratios * area).sum / area.sum
      end

      # @return [Float] the same, the worst
      def self.worst_stretch(piece, places)
        ratios, area = stretches(piece, places)
        ratios[(area > 0).where].then { |solid| solid.empty? ? 1.0 : solid.max }
      end

      def self.stretches(piece, places)
        jacobians = UvMap::Jacobians.of(piece.positions, places, piece.triangles)
        large, small = jacobians.singular_values
        [large / Numo::DFloat.maximum(small, Float::MIN), jacobians.invertible_area_mm2]
      end
      private_class_method :stretches

      def initialize(mesh, seams, faces, costs)
        @mesh = mesh
        @seams = seams
        @faces = faces
        @costs = costs.to_a
      end
      private_class_method :new

      private

      # What a set of seams leads to: the cut edges, and the pieces laid flat.
      State = Struct.new(:seams, :edges, :flat, :energy, :stretch, keyword_init: true)
      private_constant :State

      def eased(limit)
        first = state(@seams, [])
        now = first
        MOST_CUTS.times do
          break if now.stretch <= limit

          better = places_to_reach(now).filter_map { |vertex, piece| cut_to(now, vertex, piece) }.min_by(&:energy)
          break unless better && better.energy < now.energy * HELPS

          now = better
        end
        Suggestion.new(edges: now.edges, before: first.stretch, after: now.stretch)
      end

      def state(seams, edges)
        cut = Cut.call(@mesh, seams)
        pieces = cut.face_pieces[@faces].to_a.uniq.map { |index| cut.piece(index) }
        flat = pieces.map { |piece| [piece, cut.point_vertices[piece.points].to_a, Unfold.call(piece)] }
        energies =
          flat.map do |piece, _, places|
            SymmetricDirichlet.new(PlaneTriangles.new(piece.positions, piece.triangles)).mean(places) - 4
          end
        State.new(
          seams: seams,
          edges: edges,
          flat: flat,
          energy: energies.max,
          stretch: flat.map { |piece, _, places| SuggestReliefCuts.stretch(piece, places) }.max
        )
      end

      # Vertices worth cutting to, of the piece that is stretched most.
      def places_to_reach(state)
        piece, vertices, places = state.flat.max_by { |candidate, _, flat| SuggestReliefCuts.stretch(candidate, flat) }
        depths = depths(piece)
        inner = depths.each_index.select { |i| depths[i] > 1 }
        return [] if inner.empty?

        strain = strain(piece, places)
        deepest = inner.max_by { |i| depths[i] }
        [inner.max_by { |i| strain[i] }, inner.max_by { |i| strain[i] * depths[i] }, deepest].uniq.map do |i|
          [vertices[i], piece.border.first.map { |k| vertices[k] }]
        end
      end

      # Edges from the border to each vertex.
      def depths(piece)
        near = Array.new(piece.positions.shape[0]) { [] }
        piece.triangles.to_a.each { |a, b, c| near[a].push(b, c) && near[b].push(a, c) && near[c].push(a, b) }
        depths = Array.new(near.size)
        queue = piece.border.flatten.uniq.each { |i| depths[i] = 0 }
        queue.each { |i| near[i].each { |j| depths[j] || ((queue << j) && depths[j] = depths[i] + 1) } }
        depths.map { |depth| depth || 0 }
      end

      # How far the triangles round each vertex are from true size and shape.
      def strain(piece, places)
        jacobians = UvMap::Jacobians.of(piece.positions, places, piece.triangles)
        large, small = jacobians.singular_values
        small = Numo::DFloat.maximum(small, 1e-9)
        own = (large**2) + (small**2) + (1 / (large**2)) + (1 / (small**2)) - 4
        corners = Numo::Int32.cast(piece.triangles.flatten)
        weights =
          Geometry::Grouped
            .repeat(Numo::Int64.new(own.size).fill(3))
            .then { |rows| [own[rows] * jacobians.area_mm2[rows], jacobians.area_mm2[rows]] }
        sums = weights.map { |values| Geometry::Grouped.sum(corners, values, places.shape[0]) }
        (sums[0] / Numo::DFloat.maximum(sums[1], Float::MIN)).to_a
      end

      def cut_to(state, vertex, border)
        run = Mesh::PickEdges.cheapest_run(@mesh, [vertex], border, @costs) or return
        fresh = run.reject { |edge| state.seams[edge] == 1 }
        return if fresh.empty?

        state(state.seams.copy.tap { |seams| seams[fresh] = 1 }, state.edges + fresh)
      rescue MeshError
        nil
      end
    end
  end
end
