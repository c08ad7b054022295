# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Unfolds a disc, cut further or parted where its mean stretch would be beyond a limit; and where little of it is
    # stretched much, as the corners of a rounded box are, by short cuts there.
    class WithinLimit
      # Cuts inside are looked for in pieces of at most as many faces; it takes an unfolding for each that is tried.
      MOST_FACES = 4000
      # Of a piece that is true but for a few places: its mean stretch, and what that of the places is brought to.
      NEARLY = 1.02
      WORST = 1.015
      private_constant :MOST_FACES, :NEARLY, :WORST

      # cut [Cut]; pieces [Array<Array(Cut::Piece, Numo::DFloat)>] with their places, model units
      Found = Struct.new(:seams, :cut, :pieces, keyword_init: true)

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E, which leave a disc
      # @param faces [Array<Integer>] of the disc
      # @param closed [Numo::Bit] E: the seams before it was cut open to be one
      # @param limit [Float]
      # @return [Found] seams [Numo::Bit] E: all within the faces
      # @raise [MeshError] as Unfold
      def self.call(mesh, seams, faces, closed:, limit:) = new(mesh, faces, closed, limit).send(:found, seams)

      def initialize(mesh, faces, closed, limit)
        @mesh = mesh
        @faces = faces
        @closed = closed
        @limit = limit
      end
      private_class_method :new

      private

      def found(seams)
        state = unfolded(seams)
        state = better(state, seams) if mean(state) > @limit
        relieved(state)
      end

      # What was closed all round is parted by its sides first; what was open is cut further first.
      def better(state, seams)
        ways = [-> { eased(seams) }, -> { parted }]
        ways.reverse! if seams != @closed
        [*ways, -> { eased(state.seams) }].each do |way|
          other = way.call or next
          state = [state, other].min_by { |own| rank(own) }
          break if mean(state) <= @limit
        end
        state
      end

      # Within the limit the fewest pieces, or else the least stretch.
      def rank(state) = [[mean(state), @limit].max.round(3), state.pieces.size]

      def eased(seams)
        return if @faces.size > MOST_FACES

        edges = SuggestReliefCuts.call(@mesh, seams, @faces, limit: @limit).edges
        unfolded(seams.copy.tap { |bits| bits[edges] = 1 }) if edges.any?
      end

      # By the box directions that faces look to most.
      def parted
        sides = Split.by_direction(@mesh)
        groups = Numo::Int32.zeros(@mesh.face_count).tap { |all| all[@faces] = sides[@faces] + 1 }
        unfolded(OpenUp.call(@mesh, @closed | Seams.between(@mesh, groups), faces: @faces))
      rescue MeshError
        nil
      end

      def unfolded(seams)
        cut = Cut.call(@mesh, seams)
        pieces = @faces.map { |face| cut.face_pieces[face] }.uniq.map { |index| cut.piece(index) }
        Found.new(seams: seams, cut: cut, pieces: pieces.map { |piece| [piece, Unfold.call(piece)] })
      end

      def mean(state)
        areas = state.pieces.map { |piece, _| PlaneTriangles.new(piece.positions, piece.triangles).areas.sum }
        state.pieces.zip(areas).sum { |(piece, places), area| SuggestReliefCuts.stretch(piece, places) * area } /
          areas.sum
      end

      # Cuts from the border to where few triangles are stretched much, until none is.
      def relieved(state)
        return state if @faces.size > MOST_FACES || mean(state) > NEARLY

        edges = ShortCuts.call(@mesh, state.seams, @faces, worst: WORST)
        return state if edges.empty?

        unfolded(state.seams.copy.tap { |bits| bits[edges] = 1 })
      end
    end
  end
end
