# frozen_string_literal: true

module SheetTrace
  class Layout
    # The image plane. The one place that converts between UV (origin bottom left, v up) and px (origin
    # top left, y down).
    Sheet =
      Struct.new(:width_px, :height_px, keyword_init: true) do
        # @param most_px [Integer] along a side
        # @raise [InputError] where: { width_px: } or { height_px: }
        def initialize(width_px:, height_px:, most_px: Sheet::SIDE_PX.end)
          { width_px: width_px, height_px: height_px }.each do |side, px|
            next if px.is_a?(Integer) && px.between?(Sheet::SIDE_PX.begin, most_px)

            raise InputError.new(
                    "sheet #{side.to_s.delete_suffix("_px")} is #{px.inspect} px; give a whole number from " \
                      "#{Sheet::SIDE_PX.begin} to #{most_px}",
                    where: {
                      side => px
                    }
                  )
          end
          super(width_px: width_px, height_px: height_px)
          freeze
        end

        # @return [Sheet] of the size of a template, which may be larger than a job's sheet
        def self.of_template(**size) = new(**size, most_px: Sheet::TEMPLATE_PX.end)

        # @param text [String] such as "1024x512"; limit [Hash] most_px: as .new
        # @return [Sheet]
        # @raise [InputError] where: { size: }
        def self.parse(text, **limit)
          match = /\A(\d+)[x×](\d+)\z/i.match(text.to_s.strip)
          raise InputError.new("size #{text.inspect} is not of the form 1024x512", where: { size: text }) unless match

          new(width_px: match[1].to_i, height_px: match[2].to_i, **limit)
        end

        # @return [Sheet] of its proportions, no larger than a job's sheet may be
        def for_a_job
          scale = [Sheet::SIDE_PX.end.fdiv([width_px, height_px].max), 1.0].min
          Sheet.new(**to_h.transform_values { |px| [(px * scale).round, Sheet::SIDE_PX.begin].max })
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

    # Limits of a side: of a job's sheet and what is painted on it, and of a template.
    class Sheet
      SIDE_PX = (16..8192)
      TEMPLATE_PX = (16..16_384)
    end
  end
end
