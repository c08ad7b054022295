# frozen_string_literal: true

module SheetTrace
  module Formats
    # Writes an image in the format that is asked for.
    module Images
      QUALITY = 92 # of JPEG
      # What each keeps: media_type [String]; alpha [Boolean]; deep [Boolean] 16 bit
      Kind = Struct.new(:media_type, :alpha, :deep)
      KINDS = {
        "png" => Kind.new("image/png", true, true),
        "tif" => Kind.new("image/tiff", true, true),
        "tga" => Kind.new("image/x-tga", true, false),
        "jpg" => Kind.new("image/jpeg", false, false),
        "webp" => Kind.new("image/webp", true, false)
      }.freeze
      private_constant :QUALITY

      # @param image [Vips::Image] sRGB or grey, with or without alpha
      # @param kind [String] of KINDS
      # @param px_per_mm [Float, nil] nothing is said of it if nil
      # @param label [Label, nil] what the file says of itself
      # @param ground [String] #rrggbb, under what is transparent, where the format has no alpha
      # @return [String]
      def self.call(image, kind, px_per_mm: nil, label: nil, ground: "#ffffff")
        keeps = KINDS.fetch(kind)
        image = image.flatten(background: rgb(ground)).cast(image.format) if image.has_alpha? && !keeps.alpha
        image = (image / 256).cast(:uchar) if image.format == :ushort && !keeps.deep
        image = image.copy(xres: px_per_mm, yres: px_per_mm) if px_per_mm
        image = labelled(image, label) if label && kind != "tga"
        send("to_#{kind}", image, px_per_mm, label)
      end

      def self.labelled(image, label) = image.mutate { |own| own.set_type!(Vips::BLOB_TYPE, "xmp-data", label.to_xmp) }

      def self.to_png(image, px_per_mm, label) = Png::Writer.call(image, px_per_mm: px_per_mm, labelled: !label.nil?)
      def self.to_tif(image, px_per_mm, _label) =
        image.tiffsave_buffer(compression: :deflate, predictor: :horizontal, resunit: px_per_mm ? :cm : :inch)
      def self.to_jpg(image, _px_per_mm, _label) = image.jpegsave_buffer(Q: QUALITY, subsample_mode: :off)
      def self.to_webp(image, _px_per_mm, _label) = image.webpsave_buffer(lossless: true)
      def self.to_tga(image, _px_per_mm, label)
        image = image.colourspace(:srgb) if image.bands < 3
        Tga::Writer.call(image, id: label.to_s)
      end

      def self.rgb(color) = Drawing::Color.parse(color).to_a.map { |share| (share * 255).round }
      private_class_method :labelled, :to_png, :to_tif, :to_jpg, :to_webp, :to_tga, :rgb
    end
  end
end
