# frozen_string_literal: true

module SheetTrace
  module Check
    # What the checks look at: a layout, what was measured and said of its islands, and figures that several checks
    # share.
    class Subject
      # Texels that are looked at at the most; a larger sheet, or one covered many times, is looked at more coarsely.
      MOST_TEXELS = 6_000_000
      LARGEST_PX = 2048
      private_constant :MOST_TEXELS, :LARGEST_PX

      # @return [Layout]
      attr_reader :layout
      # @return [Array<Layout::MeasureIslands::Measure>]
      attr_reader :measures
      # @return [Array<String>] names and tags of the islands
      attr_reader :names, :tags
      # @return [Integer] px wanted between islands
      attr_reader :gutter_px
      # @return [Layout::Plan]
      attr_reader :plan
      # @return [Hash{Integer => Array<String>}] names of the labels on islands
      attr_reader :labels
      # @return [Fit::Setup]
      attr_reader :fit_setup
      # @return [Ground, nil] the picture that the islands lie on, where it can be looked at
      attr_reader :ground

      def initialize(
        layout:,
        measures:,
        names:,
        tags:,
        gutter_px:,
        plan: Layout::Plan.new,
        labels: {},
        fit_setup: Fit::Setup.new,
        ground: nil
      )
        @layout = layout
        @measures = measures
        @names = names
        @tags = tags
        @gutter_px = gutter_px
        @plan = plan
        @labels = labels
        @fit_setup = fit_setup
        @ground = ground
        @memo = {}
        freeze
      end

      def uv_map = layout.uv_map
      def mesh = uv_map.mesh
      def sheet = layout.sheet
      def islands = (0...uv_map.island_count).to_a

      # @return [Array<Integer>] islands tagged so
      def tagged(tag) = islands.select { |island| tags[island] == tag }

      # @return [UvMap::Jacobians] model units to px
      def jacobians = @memo[:jacobians] ||= uv_map.jacobians(layout.points_px)

      # @return [Float] px of the raster per px of the sheet
      def raster_scale
        @memo[:raster_scale] ||= begin
          area = [(jacobians.area_mm2 * jacobians.determinant.abs).sum, 1.0].max
          # pairs grow with the square of what lies on each other
          layers = [area / (sheet.width_px * sheet.height_px), 1.0].max
          [1.0, LARGEST_PX.fdiv([sheet.width_px, sheet.height_px].max), Math.sqrt(MOST_TEXELS / area / layers)].min
        end
      end

      # @return [Array(Integer, Integer)] width and height of the raster
      def raster_size = [sheet.width_px, sheet.height_px].map { |px| [(px * raster_scale).ceil, 1].max }

      # @return [Array<Integer>] islands that may lie on another, or nearer to it than the gutter
      def crowded = @memo[:crowded] ||= Layout::NearBoxes.call(layout.boxes_px, gutter_px)

      # @return [Numo::Int32] height x width of the raster: crowded island + 1 of each texel, the last where they
      #   overlap, 0 where there is none
      def owner = raster[0]

      # @return [Hash{Array(Integer, Integer) => Float}] pairs of islands, and the px of the sheet that they share
      def overlaps
        @memo[:overlaps] ||= if crowded.any? && raster[1]
          shared.transform_values { |count| count / (raster_scale**2) }
        else
          {}
        end
      end

      # @return [Set<Array(Integer, Integer)>] overlapping islands that lie exactly on each other, point by point
      def twins = @memo[:twins] ||= overlaps.keys.select { |a, b| outline_key(a) == outline_key(b) }.to_set

      # @param island [Integer]
      # @return [Fit::Cell, nil] the cell of the underlay that it lies in
      def cell_of(island)
        return unless fit_setup.underlay

        (@memo[:cells] ||= {}).fetch(island) do
          @memo[:cells][island] = Fit::IntoCell.home(layout, island, fit_setup.underlay)
        end
      end

      # @param islands [Array<Integer>]
      # @return [Boolean] whether they lie in the same cell of the underlay
      def in_one_cell?(islands) =
        islands.map { |island| cell_of(island) }.uniq.then { |cells| cells.size == 1 && cells.all? }

      # @param islands [Array<Integer>]
      # @return [Boolean] whether all that they cover of the picture beneath has one colour, as a cell of a palette
      def on_one_colour?(islands)
        boxes = layout.boxes_px[islands, true]
        sides = [sheet.width_px, sheet.height_px] * 2
        box = boxes[true, 0..1].min(axis: 0).to_a + boxes[true, 2..3].max(axis: 0).to_a
        ground&.one_colour?(box.zip(sides).map { |px, side| px / side })
      end

      # @return [Hash{Integer => Array<Integer>}] by island: those on the other side of its border on the model
      def neighbours
        @memo[:neighbours] ||= seams.each_with_object(
          Hash.new { |all, island| all[island] = [] }
        ) do |(_edge, a, b), all|
          all[a] |= [b]
          all[b] |= [a]
        end
      end

      # @return [Array<Array(Integer, Integer, Integer)>] edges of the mesh between two islands: edge, and the
      #   island of either side
      def seams
        @memo[:seams] ||= begin
          first, second = mesh.edges.paired_corners
          faces = [first, second].map { |corners| corners.empty? ? corners : mesh.corner_faces[corners] }
          faces[0].empty? ? [] : seams_between(first, *faces)
        end
      end

      # @return [String] up to three names, and how many more
      def name_list(picked)
        shown = picked.first(3).map { |island| names[island] }
        if picked.size > 3
          "#{shown.join(", ")} and #{picked.size - 3} more"
        else
          shown.join(", ").sub(/, (?=[^,]*\z)/, " and ")
        end
      end

      private

      # The owner of each texel, and whether any two triangles have one in common.
      def raster
        @memo[:raster] ||= begin
          owner, overlap = Raster::Owners.with_overlap(crowded_corners, *raster_size)
          islands = Numo::Int32.zeros(crowded_triangles.size + 1)
          islands[1..] = uv_map.triangles.islands[crowded_triangles] + 1 unless crowded_triangles.empty?
          [islands[owner].reshape(*raster_size.reverse), overlap]
        end
      end

      def crowded_triangles
        @memo[:crowded_triangles] ||= begin
          picked = Numo::Bit.zeros(uv_map.island_count).tap { |bits| bits[crowded] = 1 }
          picked[uv_map.triangles.islands].where
        end
      end

      def crowded_corners
        points = uv_map.triangles.points[crowded_triangles, true]
        corners = Numo::DFloat.zeros(*points.shape, 2)
        return corners if points.empty?

        2.times { |axis| corners[true, true, axis] = layout.points_px[true, axis][points] * raster_scale }
        corners
      end

      def shared
        texels, triangles = Raster::Rasterise.call(crowded_corners, *raster_size)
        islands = Numo::Int64.cast(uv_map.triangles.islands[crowded_triangles[triangles]])
        Raster::Overlaps.call(texels, islands, uv_map.island_count)
      end

      def seams_between(corners, first, second)
        on_sheet = uv_map.face_mapped[first] & uv_map.face_mapped[second]
        a = uv_map.face_islands[first]
        b = uv_map.face_islands[second]
        rows = (on_sheet & a.ne(b)).where
        rows.empty? ? [] : mesh.edges.corner_edges[corners[rows]].to_a.zip(a[rows].to_a, b[rows].to_a)
      end

      # Places to a hundredth of a px, in no order.
      def outline_key(island)
        (@memo[:outline_keys] ||= {})[island] ||= (layout.points_px[uv_map.island_points[island], true] * 100)
          .round
          .to_a
          .sort
      end
    end
  end
end
