# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Makes one sheet of many pictures: each trimmed of an even border, its light evened out if wanted, as large as
    # goes into a cell of a grid.
    module ComposeSheet
      TRIM = 12 # how much a px may differ from the border and still be part of it, 0 to 255
      MOST = 256
      LARGEST_PX = 8192
      private_constant :TRIM, :MOST, :LARGEST_PX

      # @param pictures [Hash{String => Vips::Image}] name => 8-bit sRGB with alpha
      # @param cell_px [Array(Integer, Integer)] width and height of a cell; columns [Integer, nil] as square a grid
      #   as goes if nil
      # @param gutter_px [Integer] between cells and round them; trim, even_light [Boolean]
      # @return [Array(Vips::Image, Array<Fit::Cell>)] the sheet, and where each picture lies on it
      # @raise [InputError] without pictures, or where the sheet would be too large; where: { width_px:, height_px: }
      def self.call(pictures, cell_px:, columns: nil, gutter_px: 4, trim: true, even_light: false)
        raise InputError.new("choose the pictures that the sheet is made of", where: { pictures: 0 }) if pictures.empty?

        columns ||= Math.sqrt(pictures.size).ceil
        rows = pictures.size.fdiv(columns).ceil
        size = [columns, rows].zip(cell_px).map { |count, px| (count * (px + gutter_px)) + gutter_px }
        validate(pictures, size)
        sheet = Vips::Image.black(*size, bands: 4).copy(interpretation: :srgb)
        cells = []
        pictures.each_with_index do |(name, picture), i|
          image = fitted(even(trimmed(picture, trim), even_light), cell_px)
          corner = [i % columns, i / columns].zip(cell_px).map { |at, px| gutter_px + (at * (px + gutter_px)) }
          left, top = corner.zip(cell_px, [image.width, image.height]).map { |at, px, own| at + ((px - own) / 2) }
          sheet = sheet.insert(image, left, top).copy_memory
          cells << Fit::Cell.new(
            name: unique(File.basename(name, ".*"), cells),
            x: left,
            y: top,
            width: image.width,
            height: image.height
          )
        end
        [sheet, cells]
      end

      def self.validate(pictures, size)
        if pictures.size > MOST
          raise LimitError.new(
                  "#{pictures.size} pictures; at most #{MOST} go on one sheet",
                  where: {
                    limit: MOST,
                    got: pictures.size
                  }
                )
        end
        return if size.max <= LARGEST_PX

        raise InputError.new(
                "the sheet would have #{size.join(" x ")} px; take smaller cells, at most #{LARGEST_PX} px a side go",
                where: {
                  width_px: size[0],
                  height_px: size[1]
                }
              )
      end

      # Without what is like its first px, all round.
      def self.trimmed(picture, trim)
        return picture unless trim

        opaque = picture.flatten(background: [255, 255, 255])
        left, top, width, height = opaque.find_trim(threshold: TRIM, background: opaque.getpoint(0, 0))
        width.positive? && height.positive? ? picture.crop(left, top, width, height) : picture
      end

      def self.even(picture, wanted) = wanted ? Raster::Corrections.call([{ step: "even_light" }], picture) : picture

      def self.fitted(picture, cell_px)
        scale = cell_px.zip([picture.width, picture.height]).map { |cell, own| cell.fdiv(own) }.min
        size = [picture.width, picture.height].zip(cell_px).map { |own, cell| (own * scale).round.clamp(1, cell) }
        Resize.call(picture, *size)
      end

      def self.unique(name, cells)
        taken = cells.map(&:name)
        (1..).lazy.map { |number| number == 1 ? name : "#{name} #{number}" }.find { |free| !taken.include?(free) }[
          0,
          80
        ]
      end
      private_class_method :validate, :trimmed, :even, :fitted, :unique
    end
  end
end
