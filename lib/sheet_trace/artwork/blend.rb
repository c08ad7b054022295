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
      LINE_PX = 1024
      AT_ONCE = { plain: 1 << 16, by_function: 1 << 20 }.freeze # px
      private_constant :STAYS, :LINE_PX, :AT_ONCE

      # @param below [Numo::UInt32] px, in any shape
      # @param above [Numo::UInt32] px, in the same
      # @param opacity [Float] 0 to 1, of the one above; mode [String] of MODES
      # @param linear [Boolean] whether light is mixed, as it is seen from afar, and not its values in sRGB
      # @return [Numo::UInt32] px, in the same; those over which there is nothing as they are
      def self.call(below, above, opacity: 1.0, mode: "normal", linear: false)
        found = Numo::UInt32.zeros(*below.shape)
        way = mode == "normal" && !linear ? :plain : :by_function
        # Some at a time, so that memory is used again instead of fetched fresh.
        (0...below.size).step(AT_ONCE.fetch(way)) do |first|
          some = first...[first + AT_ONCE.fetch(way), below.size].min
          under, over = [below, above].map { |px| Geometry::Take.call(px.flatten, some) }
          found[some] = laid(under, over, opacity, mode) { |*px| send(way, *px, opacity, mode, linear) }
        end
        found
      end

      # @param below [Numo::UInt32] n px of its own, which become what comes out
      # @yieldparam below [Numo::UInt32] those of which both are seen; above [Numo::UInt32]
      def self.laid(below, above, opacity, mode)
        painted = above.ge(Px::LEAST_ALPHA)
        return above * Numo::UInt32.cast(painted) if opacity == 1 && below.max.zero?

        hides = opacity == 1 && mode == "normal"
        return yield(below, above) if !hides && above.min >= Px::LEAST_ALPHA

        hiding = hides ? above.ge(Px::OPAQUE) : Numo::Bit.zeros(above.size)
        return above if hiding.all?

        alone = hiding.where
        below[alone] = Geometry::Take.call(above, alone) unless alone.empty?
        both = (painted & ~hiding).where
        below[both] = yield(*[below, above].map { |px| Geometry::Take.call(px, both) }) unless both.empty?
        below
      end

      # Normal, on the values of sRGB.
      def self.plain(below, above, opacity, *)
        return mixed(below, above, opacity) if opaque?(below, above)

        source, backdrop = [above, below].map { |px| Numo::SFloat.cast(Px.alpha(px)) / 255 }
        Geometry::InPlace.call(source, [:*, opacity])
        Geometry::InPlace.call(backdrop, [:*, 1 - source])
        alpha = source + backdrop
        share = Geometry::InPlace.call(source, [:/, Numo::SFloat.maximum(alpha, Float::EPSILON)])
        colors =
          Px::COLOR_BITS.map do |bits|
            own, other = [above, below].map { |px| Numo::SFloat.cast((px >> bits) & 255) }
            rounded(Geometry::InPlace.call(own, [:-, other], [:*, share], [:+, other]))
          end
        Px.of(colors, rounded(alpha * 255))
      end

      # The same of px that are opaque: all their bytes alike.
      def self.mixed(below, above, opacity)
        source, backdrop = [above, below].map { |px| Numo::SFloat.cast(Numo::UInt8.from_binary(px.to_binary)) }
        Geometry::InPlace.call(source, [:-, backdrop], [:*, opacity], [:+, backdrop], [:+, 0.5])
        Numo::UInt32.from_binary(Numo::UInt8.cast(source).to_binary)
      end

      def self.rounded(values) = Numo::UInt32.cast(values + 0.5)

      # By libvips' functions, on an image of as many px.
      def self.by_function(below, above, opacity, mode, linear)
        lines = below.size.fdiv(LINE_PX).ceil
        images =
          [below, above].map do |px|
            whole = Numo::UInt32.zeros(lines * LINE_PX).tap { |all| all[0...px.size] = px }
            Patch.image(whole, LINE_PX, lines)
          end
        way = opaque?(below, above) ? :opaque_image : :image
        blended = send(way, *images, opacity, mode, linear)
        Numo::UInt32.from_binary(blended.write_to_memory)[0...below.size]
      end

      def self.opaque?(*both) = both.all? { |px| px.min >= Px::OPAQUE }

      # @return [Vips::Image] the same kind
      def self.image(below, above, opacity, mode, linear)
        backdrop, source = colors(below, above, linear)
        alpha_s = above.extract_band(3).cast(:float) * (opacity / 255.0)
        alpha_b = below.extract_band(3).cast(:float) / 255
        blended = blended(backdrop, source, mode)
        mixed = blended ? (source * ((alpha_b * -1) + 1)) + (blended * alpha_b) : source
        under = alpha_b * ((alpha_s * -1) + 1)
        alpha = alpha_s + under
        color = ((mixed * alpha_s) + (backdrop * under)) / alpha # libvips gives 0 for x / 0
        finished(color, linear).bandjoin((alpha * 255).rint.cast(:uchar))
      end

      # The same where both are.
      def self.opaque_image(below, above, opacity, mode, linear)
        backdrop, source = colors(below, above, linear)
        mixed = blended(backdrop, source, mode) || source
        finished((mixed * opacity) + (backdrop * (1 - opacity)), linear).bandjoin(255)
      end

      def self.colors(below, above, linear)
        [below, above].map { |image| image.extract_band(0, n: 3) }
          .map { |image| linear ? LinearLight.of(image) : image.cast(:float) }
      end

      def self.finished(color, linear) = (linear ? LinearLight.to_srgb(color) : color).rint.cast(:uchar)

      # @return [Vips::Image, nil] B(cb, cs), 0 to 255; nil where that is the source
      def self.blended(backdrop, source, name)
        return NonSeparable.call(backdrop, source, name) if NonSeparable::MODES.include?(name)

        mode = MODES.fetch(name) or return
        opaque = [backdrop, source].map { |image| image.copy(interpretation: :srgb).bandjoin(255) }
        mixed = opaque[0].composite2(opaque[1], mode).extract_band(0, n: 3)
        STAYS.key?(mode) ? backdrop.relational_const(:equal, [STAYS[mode]]).ifthenelse(backdrop, mixed) : mixed
      end
      private_class_method :laid,
                           :plain,
                           :mixed,
                           :rounded,
                           :by_function,
                           :opaque?,
                           :image,
                           :opaque_image,
                           :colors,
                           :finished,
                           :blended
    end
  end
end
