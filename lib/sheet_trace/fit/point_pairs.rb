# frozen_string_literal: true

module SheetTrace
  module Fit
    # The map of a kind that takes points nearest to others, by least squares, under rules.
    module PointPairs
      # kind => least number of pairs
      KINDS = { "move" => 1, "similarity" => 2, "affine" => 3, "perspective" => 4, "soft" => 1 }.freeze
      # "no_shear": right angles of upright things stay right ones, across and down are scaled by themselves;
      # "no_turn": nor is anything turned;
      # "whole_pixels": what points go to is brought to corners of pixels first.
      RULES = %w[no_shear no_turn whole_pixels].freeze
      TURNS = 720
      private_constant :TURNS

      # @param from [Numo::DFloat] n x 2 px; to [Numo::DFloat] n x 2 px
      # @param kind [String] of KINDS but "soft"; rules [Array<String>] of RULES
      # @param mirrored [Boolean, nil] for a similarity, as Geometry::Similarity has it
      # @return [Geometry::Affine, Geometry::Homography]
      # @raise [InputError] if there are too few pairs, or they don't fix a map; where: { pairs: }
      def self.call(from, to, kind:, rules: [], mirrored: false)
        count = from.shape[0]
        least = KINDS.fetch(kind)
        if count < least
          raise InputError.new(
                  "#{count} #{count == 1 ? "pair" : "pairs"} of points; #{kind} takes #{least} and more",
                  where: {
                    pairs: count
                  }
                )
        end

        map(from, to, kind, rules, mirrored)
      rescue InputError => e
        raise e if e.where.key?(:pairs)

        raise InputError.new("#{e.message}; set the landmarks farther apart", where: { pairs: count })
      end

      # @param to [Numo::DFloat] n x 2 px
      # @return [Numo::DFloat] what points really go to
      def self.targets(to, rules) = rules.include?("whole_pixels") ? to.round : to

      def self.map(from, to, kind, rules, mirrored)
        case kind
        when "move"
          Geometry::Affine.move(*(to - from).mean(axis: 0).to_a)
        when "similarity"
          if rules.include?("no_turn")
            straight(from, to, even: true)
          else
            Geometry::Similarity.fit(from, to, mirrored: mirrored)
          end
        when "affine"
          if rules.include?("no_turn")
            straight(from, to)
          else
            rules.include?("no_shear") ? square(from, to) : Geometry::Affine.fit(from, to)
          end
        else
          Geometry::Homography.fit(from, to)
        end
      end

      # Across and down by themselves: each a line fitted to its coordinates.
      def self.straight(from, to, even: false)
        p, q = [from, to].map { |points| points - points.mean(axis: 0).reshape(1, 2) }
        products = [0, 1].map { |axis| (p[true, axis] * q[true, axis]).sum }
        squares = [0, 1].map { |axis| (p[true, axis]**2).sum }
        products, squares = [products, squares].map { |both| [both.sum] * 2 } if even
        unless squares.min > 1e-12 * squares.max && squares.max.positive?
          raise InputError, "points in line across or down don't fix both scales"
        end

        scale = Geometry::Affine.scale(*products.zip(squares).map { |product, square| product / square })
        Geometry::Affine.move(*to.mean(axis: 0).to_a) * scale *
          Geometry::Affine.move(*from.mean(axis: 0).to_a.map(&:-@))
      end

      # A turn after scaling across and down. The best turn is looked for in steps of half a degree, and then between
      # its neighbours
      # by golden sections.
      # Source: Kiefer, "Sequential minimax search for a maximum", Proceedings of the AMS 4, 1953.
      def self.square(from, to)
        at =
          lambda do |turn|
            straight(from, Geometry::Affine.turn(-turn).apply(to)).then { |map| Geometry::Affine.turn(turn) * map }
          end
        off = ->(turn) { ((at.call(turn).apply(from) - to)**2).sum }
        step = 2 * Math::PI / TURNS
        best = (0...TURNS).map { |k| k * step }.min_by(&off)
        low = best - step
        high = best + step
        ratio = (Math.sqrt(5) - 1) / 2
        60.times do
          a, b = [high - (ratio * (high - low)), low + (ratio * (high - low))]
          off.call(a) < off.call(b) ? high = b : low = a
        end
        at.call((low + high) / 2)
      end
      private_class_method :map, :straight, :square
    end
  end
end
