# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Which islands each layer lies on, and how much of it other layers hide.
    module Reach
      # A layer hides what is below it where it is as opaque, 0 to 255.
      HIDES = 250
      # Texels with less paint count as none.
      SEEN = 8
      private_constant :HIDES, :SEEN

      # id [String] of a layer
      # islands [Array<Integer>] that it has paint on; covered [Float] share of its paint that is hidden
      # under [Array<String>] ids of layers that hide some of it, the one that hides most first
      Of = Struct.new(:id, :islands, :covered, :under, keyword_init: true)

      # @param stack [Stack]
      # @param canvas [Canvas] a small one does
      # @return [Array<Of>] of what is seen of the edition shown, the lowest first
      def self.call(stack, canvas)
        whole = Box.whole(canvas.size)
        map = canvas.texel_map(whole)
        islands = Numo::Int32.zeros(whole.area) - 1
        islands[map.texels] = canvas.layout.uv_map.triangles.islands[map.triangles] unless map.texels.empty?
        seen =
          Compose
            .baked(stack.seen(guides: true), canvas)
            .filter_map { |layer, own| [layer, alpha(own, layer, whole)] if own }
        seen.each_with_index.map { |(layer, own), at| of(layer, own.gt(SEEN), seen.drop(at + 1), islands) }
      end

      def self.of(layer, painted, above, islands)
        count = painted.count_true
        hiding =
          above.filter_map do |other, alpha|
            bits = painted & alpha.gt(HIDES)
            [other.id, bits] if other.look.blend == "normal" && bits.any?
          end
        hidden = hiding.map(&:last).reduce(:|)
        rows = painted.where
        Of.new(
          id: layer.id,
          islands: rows.empty? ? [] : islands[rows].to_a.uniq.reject(&:negative?).sort,
          covered: hidden ? hidden.count_true.fdiv(count) : 0.0,
          under: hiding.sort_by { |_, bits| -bits.count_true }.map(&:first)
        )
      end

      # @return [Numo::SFloat] one a texel of the sheet
      def self.alpha(patch, layer, whole)
        image = patch.image.extract_band(3).embed(patch.left_px, patch.top_px, whole.width_px, whole.height_px)
        Numo::SFloat.cast(Numo::UInt8.from_binary(image.write_to_memory)) * layer.look.opacity
      end
      private_class_method :of, :alpha
    end
  end
end
