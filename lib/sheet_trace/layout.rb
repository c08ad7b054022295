# frozen_string_literal: true

module SheetTrace
  # Islands on a sheet: a sheet map, and where each of its islands was moved to. Immutable.
  class Layout
    STEPS = 2.0**46
    NEAR = 32 # sheets; farther off, there are no such small steps
    OFF_SHEET_PX = 0.01 # less is the rounding of a file's UVs
    private_constant :STEPS, :NEAR, :OFF_SHEET_PX

    # @return [UvMap]
    attr_reader :uv_map
    # @return [Sheet]
    attr_reader :sheet
    # @return [Numo::DFloat] I x 6: each island's map from its UV in uv_map to its UV on the sheet, as
    #   the rows a, b, c, d, e, f of Geometry::Affine
    attr_reader :placements

    # @param placements [Numo::DFloat, nil] all islands where the map has them if nil
    def initialize(uv_map:, sheet:, placements: nil)
      @uv_map = uv_map
      @sheet = sheet
      @placements = (placements || unmoved).freeze
      @memo = {}
      freeze
    end

    # @return [Numo::DFloat] P x 2, UV, origin bottom left
    def points_uv
      @memo[:points_uv] ||= begin
        own = placements[uv_map.point_islands, true]
        u = uv_map.points[true, 0]
        v = uv_map.points[true, 1]
        Geometry::Vectors.columns(
          [
            (u * own[true, 0]) + (v * own[true, 1]) + own[true, 2],
            (u * own[true, 3]) + (v * own[true, 4]) + own[true, 5]
          ]
        ).freeze
      end
    end

    # @return [Numo::DFloat] C x 2, UV at each corner; not to be read at corners of a face that is not mapped
    def corner_uvs = points_uv[uv_map.corner_points, true]

    # @return [Numo::DFloat] P x 2, px from the top left corner
    def points_px = @memo[:points_px] ||= sheet.to_px(points_uv).freeze

    # @return [Numo::DFloat] I x 4: left, top, right, bottom of each island, px
    def boxes_px
      @memo[:boxes_px] ||= begin
        left, right = Geometry::Grouped.extremes(uv_map.point_islands, points_px[true, 0], uv_map.island_count)
        top, bottom = Geometry::Grouped.extremes(uv_map.point_islands, points_px[true, 1], uv_map.island_count)
        Geometry::Vectors.columns([left, top, right, bottom]).freeze
      end
    end

    # @return [Numo::DFloat] I: how far each island reaches beyond the sheet's border, px; below 0 where it lies inside
    def beyond_sheet_px
      boxes = boxes_px
      [
        -boxes[true, 0],
        -boxes[true, 1],
        boxes[true, 2] - sheet.width_px,
        boxes[true, 3] - sheet.height_px
      ].reduce { |a, b| Numo::DFloat.maximum(a, b) }
    end

    # @return [Array<Integer>] islands that lie off the sheet or across its border
    def islands_off_sheet = uv_map.island_count.zero? ? [] : (beyond_sheet_px > OFF_SHEET_PX).where.to_a

    # @return [Array<Integer>] islands of which nothing lies on the sheet
    def islands_beside_sheet
      (0...uv_map.island_count).select do |island|
        left, top, right, bottom = boxes_px[island, true].to_a
        left >= sheet.width_px || top >= sheet.height_px || right <= 0 || bottom <= 0
      end
    end

    # @return [Array(Float, Float)] width and height of an island's box, px
    def size_px(island) = boxes_px[island, true].to_a.then { |left, top, right, bottom| [right - left, bottom - top] }

    # @param x, y [Float] px that the left upper corner of the box of some islands shall lie at
    # @return [Layout]
    def put(islands, x, y, scale: 1.0)
      left, top = [0, 1].map { |axis| boxes_px[islands, axis].min }
      place(
        islands,
        Geometry::Affine.move(x, y) * Geometry::Affine.scale(scale, scale) * Geometry::Affine.move(-left, -top)
      )
    end

    # @param mesh [Mesh] with the same faces and corners
    # @return [Layout] the same layout of it
    def with_mesh(mesh) = Layout.new(uv_map: uv_map.with_mesh(mesh), sheet: sheet, placements: placements)

    # @param points_uv [Numo::DFloat] P x 2 on the sheet
    # @return [Layout] the same islands with points at other places; what is cut where, and which points are one, stays
    def with_points_uv(points_uv) = Layout.new(uv_map: uv_map.with_points(points_uv), sheet: sheet)

    # @param islands [Array<Integer>]
    # @return [Array(Float, Float)] the middle of the box around the islands, px
    def centre_px(islands)
      boxes = boxes_px[islands, true]
      [(boxes[true, 0].min + boxes[true, 2].max) / 2, (boxes[true, 1].min + boxes[true, 3].max) / 2]
    end

    # @param former [Layout] of the same map
    # @return [Array<Integer>] islands that lie elsewhere, or whose px are others
    def islands_moved_since(former)
      return (0...uv_map.island_count).to_a if former.sheet != sheet

      placements.ne(former.placements).any?(axis: 1).where.to_a
    end

    # @param former [Layout]; island [Integer]
    # @return [Geometry::Affine, nil] how px of the island there came to px here; nil where the two have not the same
    #   surface and sheet, or the island had no area
    def moved_px(former, island)
      return unless former.uv_map.equal?(uv_map) && former.sheet == sheet

      before, now = [former, self].map { |layout| Geometry::Affine.new(*layout.placements[island, true].to_a) }
      sheet.uv_to_px * now * before.inverse * sheet.px_to_uv unless before.determinant.zero?
    end

    # @param islands [Array<Integer>]
    # @param affine_px [Geometry::Affine] where px of these islands go
    # @return [Layout]
    def place(islands, affine_px)
      affine_uv = sheet.px_to_uv * affine_px * sheet.uv_to_px
      moved = placements.copy
      islands.each do |island|
        moved[island, true] = on_grid(affine_uv * Geometry::Affine.new(*moved[island, true].to_a)).to_a
      end
      Layout.new(uv_map: uv_map, sheet: sheet, placements: moved)
    end

    # @param sheet [Sheet] the new one
    # @param keep [String] "uv": islands stretch with the sheet; "shape": islands keep their shape in px and
    #   are scaled together, so that what was on the sheet stays on it
    #   "px": islands keep their size in px
    # @param anchor [Array(Float, Float)] for "px": the share of the new room that is added left of them and above
    # @return [Layout]
    # @raise [InputError] where: { keep: }
    def resize(sheet, keep: "uv", anchor: [0.0, 0.0])
      case keep
      when "uv"
        Layout.new(uv_map: uv_map, sheet: sheet, placements: placements)
      when "shape"
        factor = [sheet.width_px.fdiv(self.sheet.width_px), sheet.height_px.fdiv(self.sheet.height_px)].min
        resize_in_px(sheet, Geometry::Affine.scale(factor, factor))
      when "px"
        resize_in_px(sheet, Geometry::Affine.move(*self.sheet.added_px(sheet, anchor)))
      else
        raise InputError.new("keep is #{keep.inspect}; give \"uv\", \"shape\" or \"px\"", where: { keep: keep })
      end
    end

    private

    # Moves of whole steps of 2^-46 of the sheet add up without rounding: so what is turned four times by a quarter is
    # where it was.
    def on_grid(affine)
      c, f = [affine.c, affine.f].map { |move| move.abs < NEAR ? (move * STEPS).round / STEPS : move }
      Geometry::Affine.new(affine.a, affine.b, c, affine.d, affine.e, f)
    end

    def unmoved
      Numo::DFloat
        .zeros(uv_map.island_count, 6)
        .tap do |rows|
          rows[true, 0] = 1.0
          rows[true, 4] = 1.0
        end
    end

    def resize_in_px(to, all)
      change = to.px_to_uv * all * sheet.uv_to_px
      rows =
        (0...uv_map.island_count).map { |island| (change * Geometry::Affine.new(*placements[island, true].to_a)).to_a }
      Layout.new(uv_map: uv_map, sheet: to, placements: rows.empty? ? placements : Numo::DFloat.cast(rows))
    end
  end
end
