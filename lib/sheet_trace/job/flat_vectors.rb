# frozen_string_literal: true

module SheetTrace
  class Job
    # Layers that keep their lines and areas where an island is drawn lying flat: lettering and SVG drawings on that
    # island, laid over the rest as they are.
    class FlatVectors
      # @param job [Job]; island [Integer]; px_per_mm [Float] of what is drawn
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      def initialize(job, island, px_per_mm:, pictures:)
        @island = island
        @flat_map = job.flat_map(island)
        @scale = px_per_mm
        @pictures = pictures
        x, y = @flat_map.coordinates_mm.then { |mm| [mm[true, 0], mm[true, 1]] }
        @to_px = Geometry::Affine.new(@scale, 0.0, -x.min * @scale, 0.0, -@scale, y.max * @scale)
        @linear = job.artwork.linear
      end

      # Which of a stack's layers can be drawn so. What is mixed with the colours below it, or made of them, needs px
      # there.
      #
      # @param layers [Array<Artwork::Layer>] the lowest first
      # @return [Array<Boolean>]
      def call(layers)
        mixed = layers.rindex { |layer| layer.look.blend != "normal" || layer.content.reads_below? } || -1
        layers.each_with_index.map { |layer, i| i > mixed && possible?(layer) }
      end

      # @param layer [Artwork::Layer] that .call holds for
      # @param loops [Array<Array<Array(Float, Float)>>] within which it is seen, px
      # @return [Drawing::Clipped] px, the island's box from 0, 0 on
      def drawing(layer, loops)
        content = layer.content
        vectors = content.vectors(@pictures)
        drawn = (layer.place.even?(content) ? even(layer.place, content, vectors) : bent(layer.place, content, vectors))
        Drawing::Clipped.new(drawn: drawn, loops: loops, opacity: layer.look.opacity)
      end

      private

      def possible?(layer)
        return false if @linear || !layer.look.mask.whole?
        return false unless layer.place.is_a?(Artwork::Places::OnIsland) && layer.place.island == @island

        vectors = layer.content.vectors(@pictures)
        !vectors.nil? && (vectors.bends? || layer.place.even?(layer.content))
      end

      def even(place, content, vectors)
        corners = Numo::DFloat[[0, 0], [1, 0], [0, 1]]
        width, height = vectors.size
        map = Geometry::Affine.fit(corners * Numo::DFloat[[width, height]], px(corners, place, content))
        lambda do |context|
          context.save do
            context.transform(Cairo::Matrix.new(map.a, map.d, map.b, map.e, map.c, map.f))
            vectors.draw(context)
          end
        end
      end

      def bent(place, content, vectors)
        size = Numo::DFloat[vectors.size]
        ->(context) { vectors.draw_bent(context) { |places| px(places / size, place, content) } }
      end

      def px(shares, place, content) = @to_px.apply(place.flat_places(shares, content, @flat_map))
    end
  end
end
