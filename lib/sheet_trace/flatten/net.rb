# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Joins flat panels to nets, as of a carton: each is turned about an edge that it shares with one that lies flat
    # already until it lies in the plane too, so that all keep their true shape. Nothing comes to lie on anything, and
    # a net stays compact: a panel that would make it sprawl begins one of its own.
    class Net
      # Share of its box that a net must fill.
      LEAST_FILL = 0.34
      # Places meet to this share of the panels' size.
      NEAR = 1e-6
      private_constant :LEAST_FILL, :NEAR

      # panels [Array<Integer>] the first is the middle; maps [Array<Geometry::Affine>] of their places, y up
      # folds [Array<Integer>] edges of the mesh that hold them together
      Laid = Struct.new(:panels, :maps, :folds, keyword_init: true)

      # @param mesh [Mesh]
      # @param panels [Array<FlatPatches::Patch>]
      # @return [Array<Laid>] each panel in one of them
      def self.call(mesh, panels) = new(mesh, panels).send(:nets)

      def initialize(mesh, panels)
        @mesh = mesh
        @panels = panels
        @normals = panels.map { |panel| mesh.face_area_vectors[panel.faces, true].sum(axis: 0).to_a }
        @areas = @normals.map { |normal| Math.sqrt(normal.sum { |part| part * part }) }
        @size = panels.flat_map(&:extent).max
        @triangles = panels.map { |panel| triangles(panel) }
        @hinges = hinges
      end
      private_class_method :new

      private

      def nets
        left = @panels.each_index.sort_by { |panel| [-worth(panel), *place(panel)] }
        found = []
        until left.empty?
          found << grown(left.first, left)
          left -= found.last.panels
        end
        found
      end

      # A large panel that looks to the front, or else up, is the middle of a net.
      def worth(panel)
        up, front = @normals[panel].last(2).map { |part| [part / [@areas[panel], Float::MIN].max, 0.0].max }
        (@areas[panel] * (1 + front + (up / 2))).round(6)
      end

      # So that nothing depends on the order of the faces.
      def place(panel) = @normals[panel].map { |part| -(part / [@areas[panel], Float::MIN].max).round(3) }

      # Round by round: what touches the net is joined on before what touches that.
      def grown(root, left)
        maps = { root => Geometry::Affine.identity }
        folds = []
        reached = [root]
        until reached.empty?
          reached =
            reached
              .flat_map { |panel| @hinges[panel].filter_map { |other, hinge| [panel, other, hinge] } }
              .select { |_panel, other, _hinge| left.include?(other) }
              .sort_by { |_panel, other, hinge| [-hinge[:length].round(6), *place(other)] }
              .filter_map do |panel, other, hinge|
                next if maps.key?(other)

                map = maps[panel] * hinge[:map]
                next unless fits?(maps, other, map)

                maps[other] = map
                folds.concat(hinge[:edges])
                other
              end
        end
        Laid.new(panels: maps.keys, maps: maps.values, folds: folds)
      end

      def fits?(maps, panel, map)
        own = moved(panel, map)
        others = maps.map { |other, its| moved(other, its) }
        compact?(maps.keys + [panel], others.flatten(2) + own.flatten(1)) && others.none? { |tris| overlap?(tris, own) }
      end

      def compact?(panels, places)
        width, height = places.transpose.map { |values| values.minmax.reduce(:-).abs }
        panels.sum { |panel| @areas[panel] } >= LEAST_FILL * width * height
      end

      def moved(panel, map) = @triangles[panel].map { |corners| corners.map { |x, y| map.at(x, y) } }

      # Whether any triangles have more in common than an edge.
      def overlap?(first, second)
        first.any? { |a| second.any? { |b| !apart?(a, b) && !apart?(b, a) } }
      end

      # Source: separating axes, Gottschalk, Lin, Manocha, "OBBTree", SIGGRAPH 1996; in the plane the sides of both
      # are all there are.
      def apart?(a, b)
        slack = @size * NEAR
        3.times.any? do |k|
          (x, y), (to_x, to_y), (third_x, third_y) = a.rotate(k)
          across = [y - to_y, to_x - x]
          length = Math.hypot(*across)
          next false if length < slack

          far = ->(px, py) { (((px - x) * across[0]) + ((py - y) * across[1])) / length }
          side = far.call(third_x, third_y).negative? ? -1 : 1
          b.all? { |px, py| far.call(px, py) * side < slack }
        end
      end

      # @return [Array<Array<Array(Float, Float)>>] three places each
      def triangles(panel)
        places = panel.corners.to_a.zip(panel.places.to_a).to_h
        cut = @mesh.triangulation
        own = panel.faces.to_h { |face| [face, true] }
        rows = face_triangles(own)
        cut.corners[rows, true].to_a.map { |corners| corners.map { |corner| places[corner] } }
      end

      def face_triangles(own)
        bits = Numo::Bit.zeros(@mesh.face_count).tap { |all| all[own.keys] = 1 }
        bits[@mesh.triangulation.faces].where
      end

      # @return [Array<Hash{Integer => Hash}>] by panel: those it shares edges with; map: from the other one's places
      #   to its own, edges: that meet so, length: of these
      def hinges
        found = Array.new(@panels.size) { {} }
        shared_edges.each do |(a, b), pairs|
          [[a, b, pairs], [b, a, pairs.map(&:reverse)]].each do |panel, other, sides|
            found[panel][other] = hinge(panel, other, sides)
          end
        end
        found
      end

      # @return [Hash{Array(Integer, Integer) => Array<Array(Integer, Integer)>}] two panels => corners of both sides of
      #   each edge between them; none where one is turned round
      def shared_edges
        panel_of = Numo::Int32.new(@mesh.face_count).fill(-1)
        @panels.each_with_index { |panel, i| panel_of[panel.faces] = i }
        @mesh
          .edges
          .paired_corners
          .map(&:to_a)
          .transpose
          .each_with_object(Hash.new { |all, pair| all[pair] = [] }) do |corners, found|
            sides = corners.map { |corner| panel_of[@mesh.corner_faces[corner]] }
            next if sides.min.negative? || sides.uniq.one?
            next if corners.map { |corner| @mesh.edges.forward[corner] }.uniq.one?

            found[sides.sort] << (sides[0] < sides[1] ? corners : corners.reverse)
          end
      end

      # Of several edges the longest fixes the hinge; others that meet by it too stay whole.
      def hinge(panel, other, sides)
        lengths = sides.map { |own, _| length(panel, own) }
        own, its = sides[lengths.each_index.max_by { |i| lengths[i] }]
        map = onto(ends(other, its).reverse, ends(panel, own))
        meeting =
          sides.each_index.select do |i|
            ends(other, sides[i][1])
              .reverse
              .zip(ends(panel, sides[i][0]))
              .all? { |from, to| Math.hypot(*map.at(*from).zip(to).map { |p, q| p - q }) < @size * NEAR * 10 }
          end
        {
          map: map,
          edges: meeting.map { |i| @mesh.edges.corner_edges[sides[i][0]] },
          length: meeting.sum { |i| lengths[i] }
        }
      end

      def ends(panel, corner)
        @places ||= @panels.map { |own| own.corners.to_a.zip(own.places.to_a).to_h }
        [corner, @mesh.next_corners[corner]].map { |at| @places[panel][at] }
      end

      def length(panel, corner) = ends(panel, corner).then { |(ax, ay), (bx, by)| Math.hypot(bx - ax, by - ay) }

      # The turn and move that take one side onto another of the same length.
      def onto(from, to)
        (ax, ay), (bx, by) = from
        (px, py), (qx, qy) = to
        turn = Math.atan2(qy - py, qx - px) - Math.atan2(by - ay, bx - ax)
        Geometry::Affine.move(px, py) * Geometry::Affine.turn(turn) * Geometry::Affine.move(-ax, -ay)
      end
    end
  end
end
