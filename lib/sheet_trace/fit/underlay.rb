# frozen_string_literal: true

module SheetTrace
  module Fit
    # A picture that lies under the islands, or is only looked at. Immutable.
    #
    # name [String]; picture [String] digest of the file's bytes; picture_px [Array(Integer, Integer)] the file's own
    # width and height
    # recipe [Array<Hash>] steps of Raster::Corrections, done before it is shown; the file itself stays as it is
    # box [Array(Float, Float, Float, Float)] where on the sheet it lies: left, top, width and height as shares of the
    # sheet
    # cells [Array<Cell>] px of the corrected picture; opacity [Float] 0 to 1
    # locked [Boolean] whether it can be changed; reference [Boolean] only looked at; scale_note [String] what is
    # known of a reference's scale
    Underlay =
      Struct.new(
        :name,
        :picture,
        :picture_px,
        :recipe,
        :box,
        :cells,
        :opacity,
        :locked,
        :reference,
        :scale_note,
        keyword_init: true
      ) do
        def initialize(
          recipe: [],
          box: [0.0, 0.0, 1.0, 1.0],
          cells: [],
          opacity: 1.0,
          locked: false,
          reference: false,
          scale_note: "",
          **rest
        )
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Array(Integer, Integer)] width and height of the corrected picture, px
        def size_px = Raster::Corrections.size(recipe, picture_px)

        # @param sheet [Layout::Sheet]
        # @return [Geometry::Affine] from px of the corrected picture to px of the sheet
        def to_sheet(sheet)
          sides = [sheet.width_px, sheet.height_px]
          scale = [0, 1].map { |axis| box[axis + 2] * sides[axis] / size_px[axis] }
          Geometry::Affine.move(box[0] * sides[0], box[1] * sides[1]) * Geometry::Affine.scale(*scale)
        end

        # @param places [Array<Array(Numeric, Numeric)>] px of the sheet
        # @return [Array<Array(Float, Float)>] px of the corrected picture
        def on_picture(places, sheet) = to_sheet(sheet).inverse.then { |map| places.map { |x, y| map.at(x, y) } }

        # @param cell [Cell]
        # @return [Array<Array(Float, Float)>] its corners, px of the sheet
        def corners_px(cell, sheet) = to_sheet(sheet).then { |map| cell.corners.map { |x, y| map.at(x, y) } }

        # @return [Array(Float, Float, Float, Float)] left, top, right, bottom of a cell, px of the sheet
        def box_px(cell, sheet)
          left, top, right, bottom = cell.box
          map = to_sheet(sheet)
          map.at(left, top) + map.at(right, bottom)
        end

        # @return [Hash] plain values
        def to_plain = to_h.merge(cells: cells.map(&:to_h))

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        # @return [Underlay]
        def self.from_plain(plain) = new(**plain, cells: plain[:cells].map { |cell| Cell.new(**cell) })
      end
  end
end
