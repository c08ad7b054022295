# frozen_string_literal: true

module SheetTrace
  module Artwork
    # An image file that was brought in. Immutable.
    #
    # digest [String] of its bytes; name [String] of the file; width_px, height_px [Integer] as it is shown upright
    PictureFile =
      Struct.new(:digest, :name, :width_px, :height_px, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        def size_px = [width_px, height_px]

        # @return [String] the file's name without its ending
        def title = File.basename(name, ".*").then { |title| title.strip.empty? ? "picture" : title[0, 80] }

        # @param digest [String]; bytes [String] of the file
        # @return [PictureFile]
        # @raise [FormatError, LimitError] as Picture.inspect_file
        def self.of_bytes(bytes, name:, digest: Digest::SHA256.hexdigest(bytes))
          new(digest: digest, name: name, **Picture.inspect_file(bytes, name: name).slice(:width_px, :height_px))
        end
      end
  end
end
