# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Fits a cylinder or a cone to a band by least squares and develops it exactly: arcs keep their true length, a
    # cylinder
    # becomes a rectangle, a truncated cone a sector of a ring. The front of the model comes to the middle, level.
    # Source: developments of sheet-metal handbooks: width 2 pi r; slant s = sqrt(h^2 + (R - r)^2), outer radius R s
    #   / (R - r),
    #   angle 2 pi (R - r) / s.
    class RollOut
      # kind [String] "cylinder" or "cone"; axis [Array<Float>] unit, upwards; if level, to the back, as up is on top
      # origin [Array<Float>] on the axis, the apex of a cone
      # radius [Float] of a cylinder; slope [Float] radius over distance from the apex, of a cone
      # error [Float] how far vertices lie off the surface, root of the mean square, as a share of the band's size
      Band = Struct.new(:kind, :axis, :origin, :radius, :slope, :error, keyword_init: true)

      CYLINDER = 0.004 # mean lean of the normals below which it is a cylinder
      ON_AXIS = 1e-9 # share of the widest place
      private_constant :CYLINDER, :ON_AXIS

      # @param piece [Cut::Piece]
      # @param axis [Array<Float>, nil] direction to be kept to; fitted if nil
      # @param origin [Array<Float>, nil] a place on the axis, the apex of a cone, to be kept to; fitted if nil
      # @return [Band]
      # @raise [MeshError] if the piece is flat, so that it has no axis
      def self.fit(piece, axis: nil, origin: nil) = new(piece).send(:fit, axis, origin)

      # @param piece [Cut::Piece] a disc
      # @param fit [Band] by which it is rolled out
      # @return [Numo::DFloat] n x 2, the unit of the positions
      # @raise [MeshError] as .fit; or if the piece goes right round without a seam
      def self.call(piece, fit: self.fit(piece)) = new(piece).send(:developed, fit)

      def initialize(piece)
        @piece = piece
        @positions = piece.positions
      end
      private_class_method :new

      private

      def fit(axis, origin)
        normals, areas = normals_and_areas
        axis = axis ? Geometry::Vectors.unit(Numo::DFloat[axis])[0, true].to_a : fitted_axis(normals, areas)
        axis = axis.map(&:-@) if axis[1].negative? || (axis[1].abs < 1e-9 && (axis[0] - axis[2]).negative?)
        height = normals.dot(Numo::DFloat.cast(axis))
        mean = (height * areas).sum / areas.sum
        mean.abs < CYLINDER ? cylinder(axis, origin) : cone(axis, normals, areas, origin)
      end

      # Normals of a cylinder lie in a plane, those of a cone on a circle: the axis is the direction in which they
      # vary least.
      def fitted_axis(normals, areas)
        covariance =
          Array.new(3) do |i|
            Array.new(3) do |j|
              (
                (normals[true, i] - lean(normals, areas, i)) * (normals[true, j] - lean(normals, areas, j)) * areas
              ).sum / areas.sum
            end
          end
        (_, axis), (second,), = Geometry::SymmetricEigen.call(covariance)
        if second < 1e-9
          raise MeshError.new(
                  "the faces lie in one plane; they have no axis to be rolled out about",
                  where: {
                    faces: @piece.faces.to_a.first(50)
                  }
                )
        end

        axis
      end

      def lean(normals, areas, axis) = (normals[true, axis] * areas).sum / areas.sum

      def normals_and_areas
        corner = Array.new(3) { |k| @positions[@piece.triangles[true, k], true] }
        doubled = Geometry::Vectors.cross(corner[1] - corner[0], corner[2] - corner[0])
        [Geometry::Vectors.unit(doubled), Geometry::Vectors.lengths(doubled) / 2]
      end

      # A circle through the points seen along the axis: x^2 + y^2 = 2 a x + 2 b y + c, linear in a, b, c.
      def cylinder(axis, origin)
        right, front = across(axis)
        x, y = [right, front].map { |direction| @positions.dot(Numo::DFloat.cast(direction)) }
        if origin
          a, b = [right, front].map { |direction| direction.zip(origin).sum { |p, q| p * q } }
          radius = Numo::NMath.sqrt(((x - a)**2) + ((y - b)**2)).mean
        else
          a, b, c = least_squares([x * 2, y * 2, Numo::DFloat.ones(x.size)], (x * x) + (y * y))
          radius = Math.sqrt([c + (a * a) + (b * b), 0].max)
          origin = (0..2).map { |i| (right[i] * a) + (front[i] * b) }
        end
        off = Numo::NMath.sqrt(((x - a)**2) + ((y - b)**2)) - radius
        Band.new(kind: "cylinder", axis: axis, origin: origin, radius: radius, slope: 0.0, error: share(off))
      end

      # All faces' planes pass through the apex.
      def cone(axis, normals, areas, apex)
        apex ||= fitted_apex(normals, areas)
        from = @positions - Numo::DFloat[apex]
        far = Geometry::Vectors.lengths(from)
        along = from.dot(Numo::DFloat.cast(axis))
        slope = (Numo::NMath.sqrt(Numo::DFloat.maximum((far**2) - (along**2), 0.0)) * far).sum / (far**2).sum
        Band.new(
          kind: "cone",
          axis: axis,
          origin: apex,
          radius: nil,
          slope: slope,
          error: share(Numo::NMath.sqrt(Numo::DFloat.maximum((far**2) - (along**2), 0.0)) - (far * slope))
        )
      end

      def fitted_apex(normals, areas)
        middles = Array.new(3) { |k| @positions[@piece.triangles[true, k], true] }.sum / 3
        weight = Numo::NMath.sqrt(areas)
        least_squares(Array.new(3) { |i| normals[true, i] * weight }, Geometry::Vectors.dot(normals, middles) * weight)
      end

      def share(off)
        low, high = [@positions.min(axis: 0), @positions.max(axis: 0)]
        Math.sqrt((off**2).mean) / [(high - low).max, Float::MIN].max
      end

      # The normal equations of a few unknowns, solved by elimination through their eigenvectors.
      def least_squares(columns, right)
        matrix = columns.map { |a| columns.map { |b| (a * b).sum } }
        side = columns.map { |a| (a * right).sum }
        pairs = Geometry::SymmetricEigen.call(matrix)
        largest = pairs.last.first
        pairs.each_with_object([0.0] * columns.size) do |(value, vector), answer|
          next if value <= largest * 1e-13

          part = vector.zip(side).sum { |a, b| a * b } / value
          vector.each_with_index { |entry, i| answer[i] += entry * part }
        end
      end

      # Directions square to the axis: to the right, and to the front as far as the axis allows.
      def across(axis)
        front = [0.0, 0.0, 1.0]
        front = [0.0, 1.0, 0.0] if axis[2].abs > 0.9
        lean = front.zip(axis).sum { |a, b| a * b }
        front = front.zip(axis).map { |a, b| a - (b * lean) }
        length = Math.sqrt(front.sum { |x| x * x })
        front = front.map { |x| x / length }
        right = [[1, 2], [2, 0], [0, 1]].map { |i, j| (axis[i] * front[j]) - (axis[j] * front[i]) }
        [right, front]
      end

      def developed(fit)
        right, front = across(fit.axis)
        from = @positions - Numo::DFloat[fit.origin]
        x, y, along = [right, front, fit.axis].map { |direction| from.dot(Numo::DFloat.cast(direction)) }
        reach = Numo::NMath.hypot(x, y)
        angles = unwound(Numo::NMath.atan2(x, y), (reach < reach.max * ON_AXIS).to_a)
        places =
          (
            if fit.kind == "cylinder"
              Geometry::Vectors.columns([angles * fit.radius, along])
            else
              sector(fit, from, along, angles)
            end
          )
        facing_out?(places) ? places : Geometry::Vectors.columns([-places[true, 0], places[true, 1]])
      end

      def sector(fit, from, along, angles)
        far = Geometry::Vectors.lengths(from)
        turned = angles * fit.slope
        down = along.mean.negative? ? -1 : 1 # the apex is above
        Geometry::Vectors.columns([Numo::NMath.sin(turned) * far, Numo::NMath.cos(turned) * far * down])
      end

      # Angles that go on from point to point, so that a seam has two: the nearest to the front first. A cone's apex
      # lies at none, and nothing goes on over it.
      def unwound(angles, on_axis)
        own = angles.to_a
        near = beside
        done = Array.new(own.size)
        start = own.each_index.select { |i| on_axis[i].zero? }.min_by { |i| own[i].abs } || 0
        done[start] = own[start]
        queue = [start]
        queue.each do |i|
          near[i].each do |j|
            next if done[j] || on_axis[j] == 1

            step = own[j] - own[i]
            done[j] = done[i] + (step - (2 * Math::PI * (step / (2 * Math::PI)).round))
            queue << j
          end
        end
        validated(Numo::DFloat.cast(done.map.with_index { |angle, i| angle || own[i] }), on_axis)
      end

      # @return [Array<Array<Integer>>] by vertex: those of its triangles
      def beside
        near = Array.new(@positions.shape[0]) { [] }
        @piece.triangles.to_a.each { |a, b, c| near[a] << b << c and near[b] << a << c and near[c] << a << b }
        near
      end

      def validated(angles, on_axis)
        apex = Numo::Bit.cast(on_axis)
        gaps =
          [[0, 1], [1, 2], [2, 0]].map do |sides|
            a, b = sides.map { |k| @piece.triangles[true, k] }
            (angles[a] - angles[b]).abs * Numo::DFloat.cast(~(apex[a] | apex[b]))
          end
        return angles if gaps.map(&:max).max < Math::PI

        raise MeshError.new(
                "the band goes right round; cut it from rim to rim first",
                where: {
                  faces: @piece.faces.to_a.first(50)
                }
              )
      end

      def facing_out?(places)
        corner = Array.new(3) { |k| places[@piece.triangles[true, k], true] }
        (
          ((corner[1][true, 0] - corner[0][true, 0]) * (corner[2][true, 1] - corner[0][true, 1])) -
            ((corner[1][true, 1] - corner[0][true, 1]) * (corner[2][true, 0] - corner[0][true, 0]))
        ).sum.positive?
      end
    end
  end
end
