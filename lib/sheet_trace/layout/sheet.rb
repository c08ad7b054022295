# frozen_string_literal: true

module SheetTrace
  class Layout
    # The image plane. The one place that converts between UV (origin bottom left, v up) and px (origin
    # top left, y down).
    Sheet =
      Struct.new(:width_px, :height_px, keyword_init: true) do
        # @raise [InputError] where: { width_px: } or { height_px: }
        def initialize(width_px:, height_px:)
          { width_px: width_px, height_px: height_px }.each do |side, px|
            next if px.is_a?(Integer) && px.between?(Sheet::SMALLEST_PX, Sheet::LARGEST_PX)

            raise InputError.new(
                    "sheet #{side.to_s.delete_suffix("_px")} is #{px.inspect} px; give a whole number from " \
                      "#{Sheet::SMALLEST_PX} to #{Sheet::LARGEST_PX}",
                    where: {
                      side => px
                    }
                  )
          end
          super
          freeze
        end

        # @param text [String] such as "1024x512"
        # @return [Sheet]
        # @raise [InputError] where: { size: }
        def self.parse(text)
          match = /\A(\d+)[x×](\d+)\z/i.match(text.to_s.strip)
          raise InputError.new("size #{text.inspect} is not of the form 1024x512", where: { size: text }) unless match

          new(width_px: match[1].to_i, height_px: match[2].to_i)
        end

        # @param points_uv [Numo::DFloat] n x 2
        # @return [Numo::DFloat] n x 2 px: a vertex at (u, v) lies at (u * width, (1 - v) * height)
        def to_px(points_uv) = uv_to_px.apply(points_uv)

        # @return [Geometry::Affine]
        def uv_to_px = Geometry::Affine.new(width_px.to_f, 0.0, 0.0, 0.0, -height_px.to_f, height_px.to_f)

        # @return [Geometry::Affine]
        def px_to_uv = uv_to_px.inverse

        # @param other [Sheet]; anchor [Array(Float, Float)] shares of what it is larger by
        # @return [Array(Integer, Integer)] px that it has more left of this one and above it, whole so that pixels stay
        def added_px(other, anchor)
          [other.width_px - width_px, other.height_px - height_px].zip(anchor).map { |px, share| (px * share).floor }
        end

        def to_s = "#{width_px} x #{height_px} px"
      end

    # Limits of a sheet's side.
    class Sheet
      SMALLEST_PX = 16
      LARGEST_PX = 8192
      SIDE_PX = (SMALLEST_PX..LARGEST_PX)
    end
  end
end
