# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Cuts a surface and lays all its pieces flat, by one of several methods, upright and in true size.
    class Pieces
      METHODS = %w[unfold rollout direction angle square_on seen].freeze
      # A cylinder or cone must come as near as this, as a share of the band's size, to be rolled out.
      NEAR = 0.01
      private_constant :NEAR

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
      # @return [Pieces]
      # @raise [InputError] where: { method: }
      # @raise [MeshError] as the methods say
      def self.call(mesh, method:, seams:, angle_rad: Math::PI / 3, faces: nil, direction: nil) = new(mesh, method, seams, angle_rad, faces, direction)

      def initialize(mesh, method, seams, angle_rad, faces, direction)
        raise InputError.new("there is no method #{method.inspect}; there are #{METHODS.join(", ")}", where: { method: method }) unless METHODS.include?(method)

        raise InputError.new("the method seen needs a direction to look from", where: { method: method }) if method == "seen" && direction.nil?

        @method = method
        @direction = direction
        @cut = Cut.call(mesh, all_seams(mesh, seams, angle_rad, faces))
        @wanted = faces&.map { |face| @cut.face_pieces[face] }&.uniq
        @places = lay
        freeze
      end
      private_class_method :new

      # @return [Array<Integer>] the pieces that were laid flat
      def laid = @wanted || (0...cut.piece_count).to_a

      # @return [Integer] triangles turned over
      def turned = laid.sum { |piece| cut.piece(piece).then { |one| Unfold.turned(one, places[one.points, true]) } }

      private

      def all_seams(mesh, seams, angle_rad, faces)
        case @method
        when "direction" then seams | Seams.between(mesh, Split.by_direction(mesh))
        when "angle" then seams | Seams.between(mesh, Split.by_angle(mesh, angle_rad))
        when "square_on", "seen" then seams
        else OpenUp.call(mesh, seams, faces: faces)
        end
      end

      def lay
        Numo::DFloat.zeros(@cut.point_vertices.size, 2).tap do |all|
          laid.each { |index| @cut.piece(index).then { |piece| all[piece.points, true] = centred(flat(piece)) } }
        end
      end

      def flat(piece)
        case @method
        when "unfold" then upright(piece, Unfold.call(piece))
        when "rollout" then rolled(piece)
        when "direction" then SeenFrom.call(piece, SeenFrom.box_direction(piece))
        else SeenFrom.call(piece, @direction)
        end
      end

      # What is no cylinder and no cone is unfolded.
      def rolled(piece)
        fit = RollOut.fit(piece)
        fit.error < NEAR ? RollOut.call(piece, fit: fit) : upright(piece, Unfold.call(piece))
      rescue MeshError
        piece.disc? ? upright(piece, Unfold.call(piece)) : raise
      end

      def upright(piece, places) = Upright.call(piece.positions, piece.triangles, places, SeenFrom.mean_normal(piece))

      def centred(places) = places - ((places.max(axis: 0) + places.min(axis: 0)) / 2)
    end
  end
end
