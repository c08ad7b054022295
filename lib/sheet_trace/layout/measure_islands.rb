# frozen_string_literal: true

module SheetTrace
  class Layout
    # Measures every island: its size on the model and on the sheet, density, stretch, whether it reads
    # mirrored, and where model-up points. All in px, so that it holds on a sheet that is not square.
    #
    # Stretch of a triangle is the ratio of the singular values of its Jacobian (mm to px), 1 where shapes
    # are kept; an island's is the mean weighted by area on the model, and the worst.
    # Source: singular values of a triangle's map as in Sander, Snyder, Gortler, Hoppe, "Texture Mapping
    #   Progressive Meshes", SIGGRAPH 2001, section 3.
    class MeasureIslands
      # size_mm, size_px [Array(Float, Float)] width and height, size_mm as the island stands upright
      # size_exact [Boolean] whether size_mm is that of the surface, and no estimate from a map that stretches it
      # faces [Integer]; density_px_per_mm [Float]; mirrored [Boolean]
      # stretch_mean, stretch_worst [Float, nil] nil where a triangle has no area on the sheet (endless stretch)
      # worst_face [Integer, nil] index of the face with the worst stretch
      # flat_triangles [Integer] triangles with area on the model and none on the sheet
      # up_angle_rad [Float] 0 where model-up points to the top of the sheet, clockwise, in (-pi, pi]
      Measure =
        Struct.new(
          :faces,
          :size_mm,
          :size_exact,
          :size_px,
          :density_px_per_mm,
          :stretch_mean,
          :stretch_worst,
          :worst_face,
          :flat_triangles,
          :mirrored,
          :up_angle_rad,
          keyword_init: true
        ) do
          def initialize(...)
            super
            freeze
          end

          # @return [String] how lettering on the sheet reads on the model: "right", "reflected", or "turned" where
          #   it does not stand upright
          def reading
            return "reflected" if mirrored

            up_angle_rad.abs <= Measure::LEANING_RAD ? "right" : "turned"
          end
        end

      # Lettering that leans by less still reads as upright.
      class Measure
        LEANING_RAD = Math::PI / 8
      end

      # Below this share of the larger singular value, the smaller one counts as 0.
      FLAT = 1e-9
      private_constant :FLAT

      # A map that stretches an island by no more than this tells its size; by no more than that, to one in a hundred.
      TRUE_ENOUGH = 1.001
      NEARLY_TRUE = 1.02
      private_constant :TRUE_ENOUGH, :NEARLY_TRUE

      # @param layout [Layout]
      # @param unit_mm [Float] length of a model unit
      # @param islands [Array<Integer>] which to measure; all if not given
      # @return [Array<Measure>] one for each of them
      def self.call(layout, unit_mm:, islands: nil)
        picked = islands || (0...layout.uv_map.island_count).to_a
        picked.empty? ? [] : new(layout, unit_mm, picked).send(:measures)
      end

      def initialize(layout, unit_mm, picked)
        @layout = layout
        @unit_mm = unit_mm
        @map = layout.uv_map
        @picked = picked
        @count = picked.size
        whole = @count == @map.island_count
        @rows = whole ? true : join(@map.island_triangles.values_at(*picked))
        @points = whole ? true : join(@map.island_points.values_at(*picked))
        number = Numo::Int32.zeros(@map.island_count).tap { |numbers| numbers[picked] = Numo::Int32.new(@count).seq }
        @islands = number[@map.triangles.islands[@rows]]
        @point_islands = number[@map.point_islands[@points]]
        @jacobians =
          UvMap::Jacobians.call(@map.triangle_positions(unit_mm, @rows), @map.triangle_places(layout.points_px, @rows))
      end
      private_class_method :new

      private

      def measures
        columns = {
          faces: @map.island_faces.values_at(*@picked).map(&:size),
          size_px: sizes_px,
          density_px_per_mm: densities,
          mirrored: mirrored,
          up_angle_rad: up_angles,
          **stretches
        }.transform_values(&:to_a)
        columns.update(surface_sizes(columns[:stretch_worst]))
        Array.new(@count) do |island|
          row = columns.transform_values { |column| column[island] }
          Measure.new(**row, mirrored: row[:mirrored] == 1, flat_triangles: row[:flat_triangles].round)
        end
      end

      def join(lists) = lists.first.concatenate(*lists[1..])

      def sum(values) = Geometry::Grouped.sum(@islands, values, @count)

      def area_mm2 = @jacobians.area_mm2

      def densities
        px = sum(area_mm2 * @jacobians.determinant.abs)
        mm = sum(area_mm2)
        mm[mm.eq(0)] = Float::INFINITY
        Numo::NMath.sqrt(px / mm)
      end

      # y points down in px, so a map that keeps its side out has a negative determinant.
      def mirrored = sum(area_mm2 * @jacobians.determinant) > 0

      def stretches
        large, small = @jacobians.singular_values
        solid = area_mm2 > 0
        flat = solid & (small <= large * FLAT)
        small[small <= large * FLAT] = Float::INFINITY
        ratio = large / small
        weight = area_mm2 * Numo::DFloat.cast(~flat)
        total = sum(weight)
        total[total.eq(0)] = Float::INFINITY
        ratio[~solid] = 0.0
        worst, worst_face = worst_of(ratio)
        flats = sum(Numo::DFloat.cast(flat)).to_a
        {
          stretch_mean: (sum(weight * ratio) / total).to_a.map { |mean| mean.zero? ? nil : mean },
          stretch_worst: worst.each_with_index.map { |value, i| value if flats[i].zero? },
          worst_face: worst_face,
          flat_triangles: flats
        }
      end

      # @return [Array(Array<Float, nil>, Array<Integer, nil>)] each island's largest ratio, and a face that has it
      def worst_of(ratio)
        worst = Geometry::Grouped.extremes(@islands, ratio, @count).last
        faces = Array.new(@count)
        at = ratio.eq(worst[@islands]).where
        @islands[at].to_a.zip(@map.triangles.faces[@rows][at].to_a) { |island, face| faces[island] ||= face }
        [worst.to_a.map { |value| value if value.positive? }, faces]
      end

      def sizes_px
        boxes = @layout.boxes_px[@picked, true]
        (boxes[true, 2..3] - boxes[true, 0..1]).to_a
      end

      def up_angles
        @up_angles ||=
          begin
            normals = @map.mesh.face_area_vectors[@map.triangles.faces[@rows], true]
            x, y = UvMap::UpOnPlane.call(@jacobians, normals, @map.mean_normals[@picked, true], @islands)
            Numo::NMath.atan2(x, -y)
          end
      end

      # Sizes as the map tells them where it keeps shapes, else from the surface itself.
      #
      # @param stretches [Array<Float, nil>] the worst of each island
      def surface_sizes(stretches)
        sizes = sizes_mm
        exact =
          @picked.each_with_index.map do |island, i|
            stretch = stretches[i] || Float::INFINITY
            next true if stretch <= TRUE_ENOUGH

            found = surface_size(island)
            sizes[i] = found.mm if found.exact || stretch > NEARLY_TRUE
            found.exact || stretch <= NEARLY_TRUE
          end
        { size_mm: sizes, size_exact: exact }
      end

      # Wherever the island lies, the same.
      def surface_size(island)
        @map.remembered([:surface_size, island, @unit_mm]) do
          Flatten::SurfaceSize.call(@map, island, unit_mm: @unit_mm)
        end
      end

      # The island's points carried to mm by the affine map that fits the whole island best - the root of
      # its mean metric - and turned upright. Exact where the island is an affine image of its true shape.
      def sizes_mm
        px = [0, 1].map { |axis| @layout.points_px[@points, axis] }
        spans =
          upright_mm_frames.map do |frame|
            a, b = frame.map { |column| column[@point_islands] }
            low, high = Geometry::Grouped.extremes(@point_islands, (px[0] * a) + (px[1] * b), @count)
            (high - low).to_a
          end
        spans.transpose
      end

      # @return [Array] two rows of two Numo::DFloat I: px to mm along the upright island's width and height
      def upright_mm_frames
        xx, xy, yy = mean_metric
        root = Numo::NMath.sqrt(Numo::DFloat.maximum((xx * yy) - (xy**2), 0.0))
        trace = Numo::NMath.sqrt(xx + yy + (root * 2))
        trace[trace.eq(0)] = 1.0
        a = (xx + root) / trace
        b = xy / trace
        d = (yy + root) / trace
        # Where up on the sheet goes under the root of the metric, it is turned onto the height axis.
        up_x = Numo::NMath.sin(up_angles)
        up_y = -Numo::NMath.cos(up_angles)
        turned = Numo::NMath.atan2((a * up_x) + (b * up_y), -((b * up_x) + (d * up_y)))
        cos = Numo::NMath.cos(turned)
        sin = Numo::NMath.sin(turned)
        [[(a * cos) + (b * sin), (b * cos) + (d * sin)], [(b * cos) - (a * sin), (d * cos) - (b * sin)]]
      end

      # Mean of the squared mm per px, weighted by area: the matrix [[xx, xy], [xy, yy]] of each island.
      def mean_metric
        total = sum(@jacobians.invertible_area_mm2)
        total[total.eq(0)] = 1.0
        @jacobians.metric.map { |entry| sum(entry * @jacobians.invertible_area_mm2) / total }
      end
    end
  end
end
