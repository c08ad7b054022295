# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays one image over another.
    # Source: W3C, "Compositing and Blending Level 1", 5.1 Simple alpha compositing and 10.1 Separable blend modes,
    #   on sRGB values, or on linear light if asked. libvips' own modes differ from them where either image is partly
    #   transparent, so its blend functions are asked with opaque copies only.
    module Blend
      # Name => libvips' name of the blend function; nil for none, or for what is no function of single channels.
      MODES = {
        "normal" => nil,
        "multiply" => :multiply,
        "screen" => :screen,
        "overlay" => :overlay,
        "darken" => :darken,
        "lighten" => :lighten,
        "color-dodge" => :colour_dodge,
        "color-burn" => :colour_burn,
        "hard-light" => :hard_light,
        "soft-light" => :soft_light,
        "difference" => :difference,
        "exclusion" => :exclusion,
        **NonSeparable::MODES.to_h { |mode| [mode, nil] }
      }.freeze

      # Where the backdrop has this value it keeps it, whatever the source is; libvips asks for the source first.
      STAYS = { colour_dodge: 0, colour_burn: 255 }.freeze
      private_constant :STAYS

      # @param below [Vips::Image] 8-bit sRGB with alpha
      # @param above [Vips::Image] the same size and kind
      # @param opacity [Float] 0 to 1, of the one above; mode [String] of MODES
      # @param linear [Boolean] whether light is mixed, as it is seen from afar, and not its values in sRGB
      # @return [Vips::Image] the same kind
      def self.call(below, above, opacity: 1.0, mode: "normal", linear: false)
        backdrop, source = [below, above].map { |image| image.extract_band(0, n: 3) }
        backdrop, source = [backdrop, source].map { |image| linear ? LinearLight.of(image) : image.cast(:float) }
        alpha_s = above.extract_band(3).cast(:float) * (opacity / 255.0)
        blended = blended(backdrop, source, mode)
        if below.extract_band(3).min == 255
          color = backdrop + (((blended || source) - backdrop) * alpha_s)
          color = LinearLight.to_srgb(color) if linear
          return color.rint.cast(:uchar).bandjoin(255).copy(interpretation: :srgb)
        end

        alpha_b = below.extract_band(3).cast(:float) / 255
        mixed = blended ? (source * ((alpha_b * -1) + 1)) + (blended * alpha_b) : source
        under = alpha_b * ((alpha_s * -1) + 1)
        alpha = alpha_s + under
        color = ((mixed * alpha_s) + (backdrop * under)) / alpha # libvips gives 0 for x / 0
        color = LinearLight.to_srgb(color) if linear
        color.rint.cast(:uchar).bandjoin((alpha * 255).rint.cast(:uchar)).copy(interpretation: :srgb)
      end

      # @return [Vips::Image, nil] B(cb, cs), 0 to 255; nil where that is the source
      def self.blended(backdrop, source, name)
        return NonSeparable.call(backdrop, source, name) if NonSeparable::MODES.include?(name)

        mode = MODES.fetch(name) or return
        opaque = [backdrop, source].map { |image| image.copy(interpretation: :srgb).bandjoin(255) }
        mixed = opaque[0].composite2(opaque[1], mode).extract_band(0, n: 3)
        STAYS.key?(mode) ? backdrop.relational_const(:equal, [STAYS[mode]]).ifthenelse(backdrop, mixed) : mixed
      end
      private_class_method :blended
    end
  end
end
