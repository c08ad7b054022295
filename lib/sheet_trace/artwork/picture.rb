# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Reads the image files that layers are made of.
    module Picture
      LOADERS = {
        "VipsForeignLoadPngBuffer" => "image/png",
        "VipsForeignLoadJpegBuffer" => "image/jpeg",
        "VipsForeignLoadWebpBuffer" => "image/webp",
        "VipsForeignLoadTiffBuffer" => "image/tiff",
        "VipsForeignLoadSvgBuffer" => "image/svg+xml" # DRAWING
      }.freeze
      # A drawing, which is rendered at the size that is needed.
      DRAWING = "image/svg+xml"
      LARGEST_PX = 16_384
      MOST_PIXELS = 100_000_000
      # A drawing counts as so many px along its longer side at the least, so that its proportions are kept.
      DRAWING_PX = 1024
      private_constant :LOADERS, :LARGEST_PX, :MOST_PIXELS, :DRAWING_PX

      # Looks at a file without trusting its name.
      #
      # @param bytes [String]
      # @param name [String] for messages
      # @return [Hash] width_px and height_px as it is shown upright, media_type
      # @raise [FormatError] if it is not an image that is read, or is cut off; where: { file: }
      # @raise [LimitError] where: { limit:, got: }
      def self.inspect_file(bytes, name:)
        image = load(bytes, name)
        whole(name) { image.avg } # so that a file that is cut off is found now and not in a bake
        facts(image, bytes)
      end

      # @param bytes [String]; name [String] for messages
      # @return [Array(Hash, Vips::Image)] what .inspect_file gives, and what .read does, decoded
      # @raise [FormatError, LimitError] as .inspect_file
      def self.inspect_and_read(bytes, name:)
        whole(name) { [facts(load(bytes, name), bytes), read(bytes, name: name).copy_memory] }
      end

      # @param bytes [String] a file that .inspect_file passed
      # @return [Array(Integer, Integer)] width and height as it is shown upright, without decoding it
      def self.size_px(bytes, name: "picture") = upright(load(bytes, name))

      # @param bytes [String] a file that .inspect_file passed
      # @return [Integer] how many pictures it holds
      def self.pages(bytes) =
        load(bytes, "picture").then { |image| image.get_typeof("n-pages").positive? ? image.get("n-pages") : 1 }

      # @param bytes [String] a file that .inspect_file passed
      # @param scale [Float] what a drawing is rendered at, 1 as large as .inspect_file tells; others stay as they are
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.read(bytes, name: "picture", scale: 1.0)
        image = load(bytes, name, scale: scale)
        image = image.autorot
        image = image.icc_transform("srgb") if image.get_typeof("icc-profile-data").positive?
        image = image.colourspace(:srgb)
        image = (image / 256).cast(:uchar) if image.format == :ushort
        image = image.cast(:uchar)
        image.bands == 3 ? image.bandjoin(255) : image
      end

      # @param bytes [String]
      # @return [Boolean] whether the first bytes are those of a kind that is read
      def self.known?(bytes) = LOADERS.key?(loader(bytes))

      # @param bytes [String] a file that .inspect_file passed
      def self.drawing?(bytes) = LOADERS[loader(bytes)] == DRAWING

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @return [Numo::UInt8] h x w x 4
      def self.pixels(image) = Numo::UInt8.from_binary(image.write_to_memory).reshape(image.height, image.width, 4)

      def self.facts(image, bytes)
        width, height = upright(image)
        { width_px: width, height_px: height, media_type: LOADERS.fetch(loader(bytes)) }
      end

      # @yield decodes all of a file
      def self.whole(name)
        yield
      rescue Vips::Error
        raise FormatError.new(
                "#{name} is cut off or damaged; save it again and bring in the new file",
                where: {
                  file: name
                }
              )
      end

      def self.upright(image)
        turned = image.get_typeof("orientation").positive? && image.get("orientation").between?(5, 8)
        turned ? [image.height, image.width] : [image.width, image.height]
      end

      # @return [String, nil] libvips' name for what the first bytes are
      def self.loader(bytes) = Vips.vips_foreign_find_load_buffer(bytes, bytes.bytesize)

      def self.load(bytes, name, scale: 1.0)
        raise FormatError.new("#{name} is empty; choose an image", where: { file: name }) if bytes.empty?

        unless LOADERS.key?(loader(bytes))
          raise FormatError.new(
                  "#{name} is not an image that is read here; bring PNG, JPEG, WebP, TIFF, TGA, SVG or OpenRaster",
                  where: {
                    file: name
                  }
                )
        end

        image = Vips::Image.new_from_buffer(bytes, "", fail_on: :truncated)
        image = rendered(bytes, image, scale) if drawing?(bytes)
        size = image.width * image.height
        return image if size <= MOST_PIXELS && [image.width, image.height].max <= LARGEST_PX

        raise LimitError.new(
                "#{name} is #{image.width} x #{image.height} px; at most #{LARGEST_PX} px a side and #{MOST_PIXELS} " \
                  "in all are taken",
                where: {
                  limit: MOST_PIXELS,
                  got: size
                }
              )
      rescue Vips::Error
        raise FormatError.new(
                "#{name} can't be read as an image; save it again and bring in the new file",
                where: {
                  file: name
                }
              )
      end

      # @param image [Vips::Image] the drawing as it is read by itself
      def self.rendered(bytes, image, scale)
        longer = [image.width, image.height].max
        own = DRAWING_PX.fdiv(longer).ceil
        largest = [LARGEST_PX.fdiv(longer), Math.sqrt(MOST_PIXELS.fdiv(image.width * image.height))].min
        Vips::Image.svgload_buffer(bytes, scale: (own * scale).clamp(0.001, [largest, own].max))
      end
      private_class_method :facts, :whole, :upright, :loader, :load, :rendered
    end
  end
end
