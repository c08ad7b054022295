# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Cuts a surface and lays all its pieces flat, by one of several methods, upright and in true size.
    class Pieces
      METHODS = %w[best unfold rollout direction angle square_on seen wrap].freeze
      # A cylinder or cone must come as near as this, as a share of the band's size, to be rolled out.
      NEAR = 0.01
      # Edges on the plane of symmetry cost this share: cut there, both halves keep their side.
      ON_PLANE = 0.3
      private_constant :NEAR, :ON_PLANE

      # @return [Cut]
      attr_reader :cut
      # @return [Numo::DFloat] P x 2, model units, each piece about its own middle
      attr_reader :places

      # @param mesh [Mesh]
      # @param method [String] of METHODS
      # @param seams [Numo::Bit] E; more are added where a piece would not be a disc
      # @param angle_rad [Float] limit of a split by angle
      # @param faces [Array<Integer>, nil] that are laid flat; all if nil
      # @param direction [Array<Float>, nil] for the method seen: from the surface to the eye
      # @param sides [String] for the method direction: of Split::SIDES
      # @param band [Hash] for the method rollout: what RollOut.fit takes
      # @param held [Hash{Integer => Array(Float, Float)}] for the method unfold: corner of a face => where it is
      #   held, model units, y up
      # @param symmetry [Mesh::Symmetry, nil] that seams and pieces follow; not for the method best
      # @param limit [Float] for the method best: mean stretch of what is unfolded
      # @return [Pieces]
      # @raise [InputError] where: { method: }
      # @raise [MeshError] as the methods say
      def self.call(
        mesh,
        method:,
        seams:,
        angle_rad: Math::PI / 3,
        faces: nil,
        direction: nil,
        sides: "six",
        band: {},
        held: {},
        symmetry: nil,
        limit: BestWay::LIMIT
      )
        unless METHODS.include?(method)
          raise InputError.new(
                  "there is no method #{method.inspect}; there are #{METHODS.join(", ")}",
                  where: {
                    method: method
                  }
                )
        end
        if method == "seen" && direction.nil?
          raise InputError.new("the method seen needs a direction to look from", where: { method: method })
        end

        new(
          mesh,
          method,
          faces,
          symmetry,
          angle_rad: angle_rad,
          direction: direction,
          sides: sides,
          band: band,
          held: held,
          limit: limit
        ).tap { |pieces| pieces.send(:cut_and_lay, seams) }.freeze
      end

      def initialize(mesh, method, faces, symmetry, **options)
        @mesh = mesh
        @method = method
        @faces = faces
        @symmetry = symmetry
        @options = options
      end
      private_class_method :new

      # @return [Hash{Symbol => Integer}, nil] for the method best: pieces by how they were laid, as BestWay has it
      attr_reader :counts

      # @return [Array<Integer>] the pieces that were laid flat
      def laid = @wanted || (0...cut.piece_count).to_a

      # @return [Integer] triangles turned over
      def turned = laid.sum { |piece| cut.piece(piece).then { |flat| Unfold.turned(flat, places[flat.points, true]) } }

      private

      def cut_and_lay(seams)
        return lay_best(seams) if @method == "best"

        seams = both_sides(all_seams(both_sides(seams)))
        @cut = Cut.call(@mesh, seams)
        @mirror = Mirror.new(@cut, @symmetry) if @symmetry
        @wanted = @faces&.map { |face| @cut.face_pieces[face] }&.uniq
        @places = lay
      end

      def lay_best(seams)
        found = BestWay.call(@mesh, seams: seams, faces: @faces || (0...@mesh.face_count).to_a, limit: @options[:limit])
        @cut = Cut.call(@mesh, found.seams)
        @wanted = @faces&.map { |face| @cut.face_pieces[face] }&.uniq
        @counts = found.counts
        @places = Numo::DFloat.zeros(@cut.point_vertices.size, 2)
        @places[@cut.corner_points, true] = found.places
        laid.each do |index|
          @cut.point_pieces.eq(index).where.then { |own| @places[own, true] = centred(@places[own, true]) }
        end
      end

      def both_sides(seams)
        return seams unless @symmetry

        seams | seams[@symmetry.edge_twins]
      end

      def all_seams(seams)
        case @method
        when "direction"
          seams | Seams.between(@mesh, Split.by_direction(@mesh, @options[:sides]))
        when "angle"
          seams | Seams.between(@mesh, Split.by_angle(@mesh, @options[:angle_rad]))
        when "wrap"
          seams | Wrap.seams(@mesh)
        when "square_on", "seen"
          seams
        else
          OpenUp.call(@mesh, seams, faces: closed_or_bent(seams), costs: costs)
        end
      end

      # What has to be cut open: openings need no cut where the piece is laid flat without stretch all the same.
      #
      # @return [Array<Integer>, nil] all if nil
      def closed_or_bent(seams)
        return @faces if @method != "unfold" || @symmetry

        cut = Cut.call(@mesh, seams)
        all = @faces || (0...@mesh.face_count).to_a
        whole = all.map { |face| cut.face_pieces[face] }.uniq.select { |index| whole?(cut.piece(index)) }
        whole.empty? ? @faces : all.reject { |face| whole.include?(cut.face_pieces[face]) }
      end

      def whole?(piece)
        FillOpenings.openings?(piece) &&
          SuggestReliefCuts.stretch(piece, FillOpenings.call(piece)) <= FillOpenings::MOST_STRETCH
      rescue MeshError
        false
      end

      def costs
        costs = CutCosts.call(@mesh)
        return costs unless @symmetry

        own = @symmetry.vertex_twins.eq(Numo::Int64.new(@mesh.vertex_count).seq)
        on_plane = (own[@mesh.edges.vertices[true, 0]] & own[@mesh.edges.vertices[true, 1]]).where
        costs[on_plane] = costs[on_plane] * ON_PLANE unless on_plane.empty?
        costs
      end

      def lay
        Numo::DFloat
          .zeros(@cut.point_vertices.size, 2)
          .tap do |all|
            copied, own = laid.partition { |index| copied?(index) }
            pieces = own.map { |index| @cut.piece(index) }
            Progress.map(pieces, sizes: pieces.map { |piece| piece.faces.size }) do |piece|
              all[piece.points, true] = held_in(piece).any? ? unfolded_where_held(piece) : centred(flat(piece))
            end
            copied.each { |index| copy(index, all) }
          end
      end

      # The second of two pieces that mirror each other, if the first is laid flat too.
      def copied?(index) = @mirror && @mirror.twin(index) < index && laid.include?(@mirror.twin(index))

      def copy(index, all)
        source = @cut.piece(@mirror.twin(index))
        points, image = @mirror.image(source, all[source.points, true])
        all[points, true] = image
        own = @cut.piece(index)
        all[own.points, true] = centred(upright(own, all[own.points, true]))
      end

      def flat(piece)
        places = laid_by_method(piece)
        if @mirror && @mirror.twin(@cut.face_pieces[piece.faces[0]]) == @cut.face_pieces[piece.faces[0]]
          @mirror.even(piece, places)
        else
          places
        end
      end

      def laid_by_method(piece)
        case @method
        when "unfold"
          upright(piece, FillOpenings.openings?(piece) ? FillOpenings.call(piece) : Unfold.call(piece))
        when "rollout"
          rolled(piece)
        when "wrap"
          Wrap.call(piece)
        when "direction"
          SeenFrom.call(piece, SeenFrom.box_direction(piece))
        else
          SeenFrom.call(piece, @options[:direction])
        end
      end

      # @return [Hash{Integer => Array(Float, Float)}] vertex of the piece => where it is held
      def held_in(piece)
        return {} if @options[:held].empty?

        local = piece.points.to_a.each_with_index.to_h
        @options[:held].transform_keys { |corner| local[@cut.corner_points[corner]] }.except(nil)
      end

      def unfolded_where_held(piece)
        held = held_in(piece)
        places = Unfold.call(piece, pins: held)
        held.each { |vertex, place| places[vertex, true] = place }
        turned = Unfold.turned(piece, places)
        return places if turned.zero?

        raise MeshError.new(
                "the held corners lie where the piece can't follow without turning #{turned} of its triangles over; " \
                  "hold fewer",
                where: {
                  turned: turned
                }
              )
      end

      # What is no cylinder and no cone is unfolded.
      def rolled(piece)
        fit = RollOut.fit(piece, **@options[:band])
        fit.error < NEAR || @options[:band].any? ? RollOut.call(piece, fit: fit) : upright(piece, Unfold.call(piece))
      rescue MeshError
        piece.disc? ? upright(piece, Unfold.call(piece)) : raise
      end

      def upright(piece, places) = Upright.call(piece.positions, piece.triangles, places, SeenFrom.mean_normal(piece))

      def centred(places) = places - ((places.max(axis: 0) + places.min(axis: 0)) / 2)
    end
  end
end
