# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Lays each part flat in the way that suits it. What is flat stays whole, openings too. Flat panels become nets,
    # bands of cylinders and cones are rolled out, each side in its own width; the rest is unfolded, cut open where it
    # is hidden, and parted where it would be stretched beyond a limit.
    class BestWay
      # Mean stretch of what is unfolded, if nothing is said.
      LIMIT = 1.1
      # Panels and bands are parted where the surface bends by more.
      CREASE_RAD = 30.5 * Math::PI / 180
      # A part of more pieces than this is no box: it is unfolded as a whole.
      MOST_PIECES = 60
      # A cylinder or cone must come as near as this, as a share of the band's size.
      NEAR = 0.01
      # Rolled out and unfolded lengths may differ by as much: by the sagitta of the band's sides.
      SAGITTA = 0.05
      private_constant :CREASE_RAD, :MOST_PIECES, :NEAR, :SAGITTA

      # @return [Numo::Bit] E: where the surface is cut
      attr_reader :seams
      # @return [Numo::DFloat] C x 2, model units, y up, upright as seen from outside
      attr_reader :places
      # @return [Hash{Symbol => Integer}] pieces by how they were laid: net, flat, rolled, unfolded
      attr_reader :counts

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E: where it is cut in any case
      # @param faces [Array<Integer>]
      # @param limit [Float] mean stretch of what is unfolded, 1 and more
      # @return [BestWay]
      # @raise [MeshError] as OpenUp and Unfold
      def self.call(mesh, seams:, faces:, limit:) = new(mesh, seams, faces, limit).tap { |way| way.send(:lay) }.freeze

      def initialize(mesh, seams, faces, limit)
        @mesh = mesh
        @seams = seams.copy
        @faces = faces
        @limit = limit
        @places = Numo::DFloat.zeros(mesh.corner_count, 2)
        @counts = { net: 0, flat: 0, rolled: 0, unfolded: 0 }
      end
      private_class_method :new

      private

      def lay
        regions = Cut.call(@mesh, Seams.by_angle(@mesh, CREASE_RAD) | @seams).face_pieces
        parts = pieces_of(Cut.call(@mesh, @seams).face_pieces, @faces)
        curved = parts.flat_map { |faces| lay_panels(faces, pieces_of(regions, faces)) }
        left = Progress.part(0, 0.2) { whole_left(curved) }
        Progress.part(0.2, 1) { lay_curved(left) }
      end

      # @return [Array<Array<Integer>>] faces by the piece that they are of
      def pieces_of(face_pieces, faces) = faces.group_by { |face| face_pieces[face] }.values

      # @return [Array<Array<Integer>>] what bends, and is still to be laid
      def lay_panels(faces, regions)
        regions = [faces] if regions.size > MOST_PIECES
        panels = regions.map { |region| panel(region) }
        part(regions)
        Net.call(@mesh, panels.compact).each { |net| put(net, panels.compact) }
        regions.zip(panels).reject(&:last).map(&:first)
      end

      # @return [FlatPatches::Patch, nil] nil where the faces lie in no one plane
      def panel(faces)
        @normals ||= Geometry::Vectors.unit(@mesh.face_area_vectors)
        return if @normals[faces, true].dot(@normals[faces.first, true]).min < FlatPatches::FLAT_COS

        FlatPatches.call(@mesh, faces).then { |found| found.first if found.size == 1 }
      end

      # Cuts between regions of one part.
      def part(regions)
        numbers = Numo::Int32.zeros(@mesh.face_count)
        regions.each_with_index { |region, i| numbers[region] = i + 1 }
        @seams |= Seams.between(@mesh, numbers)
      end

      def put(net, panels)
        net.panels.zip(net.maps) { |panel, map| @places[panels[panel].corners, true] = map.apply(panels[panel].places) }
        @seams[net.folds] = 0 if net.folds.any?
        @counts[net.panels.size > 1 ? :net : :flat] += 1
      end

      # Lays what needs no cut though it has openings.
      #
      # @return [Array<Array<Integer>>] the rest
      def whole_left(curved)
        cut = Cut.call(@mesh, @seams)
        curved.reject do |faces|
          piece = cut.piece(cut.face_pieces[faces.first])
          next false unless FillOpenings.openings?(piece)

          way, places = rolled(piece)&.then { |found| [:rolled, found] } || [:unfolded, FillOpenings.call(piece)]
          next false if SuggestReliefCuts.stretch(piece, places) > [@limit, FillOpenings::MOST_STRETCH].min

          keep(cut, piece, way == :rolled ? places : upright(piece, places), way)
        rescue MeshError
          false
        end
      end

      def lay_curved(regions)
        return if regions.empty?

        opened = OpenUp.call(@mesh, @seams, faces: regions.flatten(1))
        cut = Cut.call(@mesh, opened)
        Progress.map(regions, sizes: regions.map(&:size)) do |faces|
          piece = cut.piece(cut.face_pieces[faces.first])
          lay_rolled(faces, piece, opened, cut) || lay_unfolded(faces, opened)
        end
      end

      # A cone up to its apex is a disc, and yet goes right round: it is slit too.
      def lay_rolled(faces, piece, opened, cut)
        slit = Peak.slit(piece, cut)
        if slit
          opened = opened.copy.tap { |bits| bits[slit] = 1 }
          cut = Cut.call(@mesh, opened)
          piece = cut.piece(cut.face_pieces[faces.first])
        end
        places = rolled(piece) or return
        take(faces, opened)
        keep(cut, piece, places, :rolled)
      end

      def lay_unfolded(faces, opened)
        found = WithinLimit.call(@mesh, opened, faces, closed: @seams, limit: @limit)
        take(faces, found.seams)
        found.pieces.each { |piece, places| keep(found.cut, piece, upright(piece, places), :unfolded) }
      end

      # The cuts within some faces, in place of those that there are.
      def take(faces, seams)
        chosen = Numo::Int32.zeros(@mesh.face_count).tap { |bits| bits[faces] = 1 }
        uses =
          Geometry::Grouped.sum(
            Numo::Int32.cast(@mesh.edges.corner_edges),
            Numo::DFloat.cast(chosen[@mesh.corner_faces]),
            @mesh.edges.count
          )
        inner = (uses.eq(Numo::DFloat.cast(@mesh.edges.uses)) & (uses > 0)).where
        @seams[inner] = seams[inner] unless inner.empty?
      end

      # @return [true]
      def keep(cut, piece, places, way)
        local = Numo::Int32.zeros(cut.point_vertices.size)
        local[piece.points] = Numo::Int32.new(piece.points.size).seq
        corners = cut.face_pieces[@mesh.corner_faces].eq(cut.face_pieces[piece.faces[0]]).where
        @places[corners, true] = places[local[cut.corner_points[corners]], true]
        @counts[way] += 1
        true
      end

      # The front in the middle, level; nil where the piece is no cylinder or cone, or goes right round.
      def rolled(piece)
        fit = RollOut.fit(piece)
        return unless fit.error < NEAR

        shown = RollOut.call(piece, fit: fit)
        exact = LeastSquaresConformal.call(piece.positions, piece.triangles, piece.border)
        exact ? true_to_sides(exact, shown) : shown
      rescue MeshError
        nil
      end

      # The sides of a band are flat: they come out as wide as they are, not as the arcs over them.
      def true_to_sides(exact, shown)
        map = Geometry::Similarity.fit(exact, shown)
        size = Math.sqrt(map.determinant.abs)
        return shown if (map.apply(exact) - shown).abs.max > SAGITTA * (shown.max(axis: 0) - shown.min(axis: 0)).max

        (Geometry::Affine.scale(1 / size, 1 / size) * map).apply(exact)
      end

      def upright(piece, places) = Upright.call(piece.positions, piece.triangles, places, SeenFrom.mean_normal(piece))
    end
  end
end
