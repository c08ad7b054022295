# frozen_string_literal: true

module SheetTrace
  module Artwork
    # An image file that was brought in. Immutable.
    #
    # digest [String] of its bytes; name [String] of the file; width_px, height_px [Integer] as it is shown upright;
    # drawing [true, nil] whether it is one, and has no px of its own
    PictureFile =
      Struct.new(:digest, :name, :width_px, :height_px, :drawing, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        # @return [Hash] what is said of it
        def to_h = super.compact

        def size_px = [width_px, height_px]

        # @return [String] the file's name without its ending
        def title = File.basename(name, ".*").then { |title| title.strip.empty? ? "picture" : title[0, 80] }

        # @param digest [String]; bytes [String] of the file
        # @return [PictureFile]
        # @raise [FormatError, LimitError] as Picture.inspect_file
        def self.of_bytes(bytes, name:, digest: Digest::SHA256.hexdigest(bytes))
          seen(digest: digest, name: name, **Picture.inspect_file(bytes, name: name))
        end

        # @return [PictureFile] of what Picture.inspect_file told
        def self.seen(media_type:, **rest)
          new(**rest, drawing: media_type == Picture::DRAWING ? true : nil)
        end
      end
  end
end
