# frozen_string_literal: true

module SheetTrace
  class Job
    # The art of one island as it lies flat, with its bleed: what is px is baked anew on a sheet of its own, so that it
    # does not matter how the island lies on the job's; what is lines and areas stays so.
    class FlatArt
      # Round the bleed, so that filters have something there.
      ROOM_PX = 2
      # The name that the job's layout goes by for skins.
      HERE = "here"
      # How much further than its sides the corner of a bleed is.
      CORNER = Math.sqrt(2)
      # Other islands lie further off than any sheet is large.
      FAR_PX = 100_000
      # How far what lies past the island is drawn within, too.
      HAIR_MM = 0.05
      private_constant :ROOM_PX, :HERE, :CORNER, :FAR_PX, :HAIR_MM

      # @param job [Job]; island [Integer]
      # @param places [Array<Numo::DFloat>] x and y of all points of the map, mm: the island's from 0, 0 on, y down
      # @param px_per_mm [Float]; bleed_mm [Float]
      # @param overlap_mm [Float] by which its beginning comes again on its right
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @return [Array<Drawing::Picture, Drawing::Clipped>] the lowest first, px, the island's box from 0, 0 on
      # @raise [InputError] where that is too many px; where: { px_per_mm: }
      def self.call(job, island, places, px_per_mm:, bleed_mm:, pictures:, overlap_mm: 0.0)
        new(job, island, places, px_per_mm, bleed_mm * px_per_mm, pictures).send(:items, overlap_mm * px_per_mm)
      end

      def initialize(job, island, places, px_per_mm, bleed_px, pictures)
        @job = job
        @island = island
        @points_px = places.map { |values| values * px_per_mm }
        @px_per_mm = px_per_mm
        @bleed_px = bleed_px
        @pictures = pictures
        @size = job.flat_map(island).size_mm.map { |mm| mm * px_per_mm }
        @vectors = FlatVectors.new(job, island, px_per_mm: px_per_mm, pictures: pictures)
      end
      private_class_method :new

      private

      # Layers that are px are made one as far as they lie on each other. What lies past the island is px.
      def items(overlap_px)
        layers = @job.artwork.seen
        kept = @vectors.call(layers)
        return layers.empty? ? [] : [picture(layers, overlap_px)] if kept.none?

        trim = trim(overlap_px)
        runs = layers.zip(kept).chunk_while { |(_, before), (_, after)| !before && !after }
        [
          (past(trim, picture(layers, overlap_px)) if @bleed_px.positive?),
          *runs.flat_map do |run|
            layer, vectors = run.first
            vectors ? vectors(layer, trim, overlap_px) : [clipped(picture(run.map(&:first), overlap_px), trim)]
          end
        ].compact
      end

      def picture(layers, overlap_px)
        whole = composed(layers).crop(ROOM_PX, ROOM_PX, *@size.map { |side| (side + (2 * @bleed_px)).ceil })
        whole = joined(whole, overlap_px) unless overlap_px.zero?
        Drawing::Picture.new(image: whole, x: -@bleed_px, y: -@bleed_px, width: whole.width, height: whole.height)
      end

      def joined(whole, overlap_px)
        bleed = @bleed_px.round
        start = whole.crop(bleed, 0, (overlap_px + @bleed_px).round.clamp(1, whole.width - bleed), whole.height)
        whole.crop(0, 0, (@bleed_px + @size[0]).round, whole.height).join(start, :horizontal)
      end

      # Where a band goes on past its join, once more from its beginning on.
      def vectors(layer, trim, overlap_px)
        return [@vectors.drawing(layer, trim)] if overlap_px.zero?

        [
          @vectors.drawing(layer, [box(*@size)]),
          @vectors.drawing(layer, [box(overlap_px, @size[1])]).moved(@size[0], 0)
        ]
      end

      # What is seen beside the trim and a little within, so that nothing shines through between.
      def past(trim, picture)
        within = trim.map { |own| Geometry::Offset.call(own, @px_per_mm * (hole?(own) ? HAIR_MM : -HAIR_MM)) }
        x, y, width, height = picture.to_h.values_at(:x, :y, :width, :height)
        clipped(picture, [box(width, height).map { |right, down| [right + x, down + y] }, *within])
      end

      def clipped(picture, loops) = Drawing::Clipped.new(drawn: picture.method(:draw), loops: loops)
      def box(width, height) = [[0.0, 0.0], [width, 0.0], [width, height], [0.0, height]]

      # @return [Array<Array<Array(Float, Float)>>] px: where the island ends, or a band and what is past its join
      def trim(overlap_px)
        return [box(@size[0] + overlap_px, @size[1])] unless overlap_px.zero?

        map = @job.layout.uv_map
        Flatten::Border
          .call(map.triangles.points[map.island_triangles[@island], true])
          .map { |points| points.map { |point| @points_px.map { |values| values[point] } } }
      end

      # Triangles run anticlockwise where y points up, and so do the lines round an island; those round its holes don't.
      def hole?(loop_of) = Geometry::Offset.area(loop_of).positive?

      def composed(layers)
        alone = alone(layers, sheet)
        canvas = alone.canvas(pictures: @pictures)
        bled(Artwork::Compose.call(alone.artwork.with(bleed_px: 0), canvas), canvas)
      end

      def sheet
        width, height = @size.map { |side| (side + (2 * (@bleed_px + ROOM_PX))).ceil }
        SheetTrace::Layout::Sheet.new(width_px: width, height_px: height)
      rescue InputError
        where = { px_per_mm: @px_per_mm }
        raise InputError.new("#{width} x #{height} px are too many; give fewer dots an inch", where: where)
      end

      # What lies beside the island has the colour that is nearest on it, out to the corners of its box; holes in it
      # stay.
      def bled(sheet, canvas)
        owner = Numo::Int32.cast(canvas.texel_map(Artwork::Box.whole(canvas.size)).coverage)
        pixels = Numo::UInt32.from_binary(sheet.write_to_memory)
        left = ((@bleed_px + ROOM_PX) * CORNER).ceil
        while left.positive?
          step = [left, Raster::Bleed::LARGEST_PX].min
          targets, sources = Raster::Bleed.call(owner, sheet.width, sheet.height, step)
          unless targets.empty?
            pixels[targets] = pixels[sources].copy
            owner[targets] = 1
          end
          left -= step
        end
        Artwork::Patch.image(pixels, sheet.width, sheet.height)
      end

      # The job with the island alone on a sheet, as it lies flat.
      def alone(layers, sheet)
        layout = @job.layout
        job =
          @job.with(
            artwork: Artwork::Stack.new(layers: baked(layers), linear: @job.artwork.linear),
            painted_maps: @job.painted_maps + [KeptMap.new(HERE) { layout }],
            layout: SheetTrace::Layout.new(uv_map: layout.uv_map, sheet: sheet)
          )
        own = layout.uv_map.island_points[@island]
        px = layout.points_px + FAR_PX
        2.times { |axis| px[own, axis] = @points_px[axis][own] + @bleed_px + ROOM_PX }
        Remap.with_points(job, sheet.px_to_uv.apply(px))
      end

      # What is made of the sheet below it, as blended seams are, needs the islands on the other side: up to the last
      # such layer, all is taken from the job's own sheet.
      def baked(layers)
        last = layers.rindex { |layer| layer.content.reads_below? }
        return layers.map { |layer| held(layer) } unless last

        [from_sheet(layers.first(last + 1)), *layers.drop(last + 1).map { |layer| held(layer) }]
      end

      def from_sheet(layers)
        canvas = @job.canvas(pictures: @pictures)
        bytes =
          Formats::Png::Writer.call(Artwork::Patch.image(Artwork::Compose.of_layers(layers, canvas, bleed_px: ROOM_PX)))
        file = Artwork::PictureFile.of_bytes(bytes, name: "sheet.png")
        others = @pictures
        @pictures = ->(digest) { digest == file.digest ? bytes : others.call(digest) }
        Artwork::Layer.new(
          id: "sheet",
          name: "sheet",
          content: Artwork::Contents::Picture.new(picture: file),
          place: Artwork::Places::OnModel.new(painted_on: HERE)
        )
      end

      # Skins keep to the model, whatever sheet it lies on.
      def held(layer)
        if layer.content.is_a?(Artwork::Contents::Merged)
          return layer.with(content: layer.content.with(layers: layer.content.layers.map { |own| held(own) }))
        end
        return layer unless layer.place == Artwork::Places::OnSheet.new && !layer.content.is_a?(Artwork::Contents::Fill)

        layer.with(place: Artwork::Places::OnModel.new(painted_on: HERE))
      end
    end
  end
end
