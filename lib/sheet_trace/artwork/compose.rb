# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Bakes the layers of an edition, carries the colours that each has at the islands' rims outwards by the bleed, and
    # lays them over each other. What was composed last on the same surface is taken where nothing has changed: a moved
    # island costs its own rectangle.
    class Compose
      # A baked layer and how it is laid: patch [Patch]; opacity [Float]; blend [String]
      Laid = Struct.new(:patch, :opacity, :blend)

      # A composed sheet. pixels [Numo::UInt32] height x width, RGBA; laid [Array<Laid>] the lowest first;
      # layout [Layout, nil]; bleed_px [Integer]
      Composed = Struct.new(:pixels, :laid, :layout, :bleed_px, keyword_init: true) { def bytesize = pixels.byte_size }
      # From this share of the sheet on, all of it is composed anew.
      MOST = 0.6
      # Beyond so many texels, a few lines at a time are composed, as memory would not hold what all of them take.
      AT_ONCE_PX = 1 << 24
      BAND_PX = 1 << 22
      private_constant :Laid, :Composed, :MOST, :AT_ONCE_PX, :BAND_PX

      # @param stack [Stack]
      # @param canvas [Canvas]
      # @param edition [Integer] of the stack
      # @param guides [Boolean] with what is only seen at work
      # @return [Vips::Image] 8-bit sRGB with alpha, as large as the canvas
      def self.call(stack, canvas, edition: stack.shown, guides: false)
        pixels = pixels(stack, canvas, edition: edition, guides: guides)
        Patch.image(pixels, canvas.size.width_px, canvas.size.height_px)
      end

      # @return [Numo::UInt32] the same as height x width texels, RGBA
      def self.pixels(stack, canvas, edition: stack.shown, guides: false) =
        new(stack.seen(edition, guides: guides), canvas, stack.bleed_px, [edition, guides]).send(:pixels)

      # @param layers [Array<Layer>] the lowest first
      # @param bleed_px [Integer]
      # @return [Vips::Image] what they make
      def self.of_layers(layers, canvas, bleed_px: 0)
        pixels = new(layers.select(&:shown?), canvas, bleed_px, nil).send(:pixels)
        Patch.image(pixels, canvas.size.width_px, canvas.size.height_px)
      end

      # @param kept [Object, nil] what the sheet is kept by, to be changed in parts the next time
      def initialize(layers, canvas, bleed_px, kept)
        @layers = layers
        @canvas = canvas
        @whole = Box.whole(canvas.size)
        @bleed_px = canvas.scaled_px(bleed_px)
        @kept = kept
      end
      private_class_method :new

      private

      def pixels
        @laid = Progress.part(0, 0.7) { laid }
        former = (@kept && @canvas.composed(@kept)) || blank
        pixels = Progress.part(0.7, 1) { brought_up(former) }
        now = Composed.new(pixels: pixels.freeze, laid: @laid, layout: @canvas.layout, bleed_px: @bleed_px)
        @canvas.keep_composed(@kept, now) if @kept
        pixels
      end

      def laid
        Progress.map(@layers.each_index.to_a) { |at| sparing { laid_over(@layers[at], @layers.first(at)) } }.compact
      end

      # @param lower [Array<Layer>] below it
      # @return [Laid, nil]
      def laid_over(layer, lower)
        below = layer.content.reads_below? ? [@canvas.linear, *lower.map { |own| key(own) }] : []
        patch = @canvas.baked(layer, below: below) { Compose.of_layers(lower, @canvas, bleed_px: SeamStrips::BLEED_PX) }
        patch && Laid.new(patch, layer.look.opacity, layer.look.blend)
      end

      # What a layer looks like on this canvas depends on.
      def key(layer)
        [
          layer.content,
          layer.place,
          layer.look,
          layer.place.dependencies(@canvas, layer.content),
          layer.content.dependencies(@canvas),
          layer.look.mask.whole? ? nil : @canvas.layout
        ]
      end

      def blank = Composed.new(pixels: nothing(@whole), laid: [], layout: nil, bleed_px: @bleed_px)
      def nothing(box) = Numo::UInt32.zeros(box.height_px, box.width_px)

      # @return [Numo::UInt32] the sheet as it is now
      def brought_up(former)
        boxes = changed(former)
        return former.pixels if boxes.empty?
        return composed(@whole) if boxes == [@whole] && @whole.area <= AT_ONCE_PX

        pixels = boxes == [@whole] ? nothing(@whole) : Geometry::Take.copy(former.pixels)
        Progress.map(boxes.flat_map { |box| bands(box) }) { |box| sparing { pixels[*box.ranges] = composed(box) } }
        pixels
      end

      # What is done on a very large sheet leaves arrays behind that are wanted back before Ruby would ask for them.
      def sparing = yield.tap { GC.start if @whole.area > AT_ONCE_PX }

      # @return [Array<Box>] what of a box is composed at once
      def bands(box)
        return [box] if box.area <= AT_ONCE_PX

        lines = [BAND_PX / box.width_px, 1].max
        (0...box.height_px)
          .step(lines)
          .map { |top| Box.new(box.left_px, box.top_px + top, box.width_px, [lines, box.height_px - top].min) }
      end

      # @return [Array<Box>] what differs from a sheet that was composed before
      def changed(former)
        stay = former.laid & @laid
        return [@whole] if former.bleed_px != @bleed_px || stay != (@laid & former.laid) || all_new?(former)

        boxes =
          ((former.laid | @laid) - stay).flat_map { |laid| PaintedBoxes.call(laid.patch) } + moved_boxes(former.layout)
        boxes = Box.joined(boxes.map { |box| box.grown(@bleed_px).within(@whole) }.reject(&:empty?))
        boxes.sum(&:area) > MOST * @whole.area ? [@whole] : boxes
      end

      # Where there was nothing, most of the sheet is not looked through for what is painted.
      def all_new?(former) = former.laid.empty? && @laid.sum { |laid| laid.patch.box.area } > MOST * @whole.area

      # Around islands that lie elsewhere the bleed is another, also where the paint is the sheet's own.
      def moved_boxes(former)
        return [] if former.nil? || @laid.empty?

        islands = @canvas.layout.islands_moved_since(former)
        [former, @canvas.layout].flat_map { |layout| islands.map { |island| @canvas.island_box(island, layout) } }
      end

      # @return [Numo::UInt32] height x width of the box
      def composed(box)
        around = box.grown(@bleed_px).within(@whole)
        laid = @laid.reject { |own| own.patch.box.within(around).empty? }
        return nothing(box) if laid.empty?

        bleed = Bleeding.new(around, @bleed_px) { @canvas.texel_map(around) }
        sheet = nil
        Progress.map(laid) { |own| sheet = lay(own, sheet, around, bleed) }
        around == box ? sheet : Geometry::Take.call(sheet, *box.seen_from(around).ranges)
      end

      # @param sheet [Numo::UInt32, nil] of the box around, changed where the layer has paint; nil for the first one
      # @return [Numo::UInt32] the sheet
      def lay(laid, sheet, around, bleed)
        part, above = bleed.call(laid.patch)
        return above.frozen? ? Geometry::Take.copy(above) : above if ground?(laid) && part == around

        sheet ||= nothing(around)
        there = part.seen_from(around).ranges
        unless ground?(laid)
          look = { opacity: laid.opacity, mode: laid.blend, linear: @canvas.linear }
          above = Blend.call(Geometry::Take.call(sheet, *there), above, **look)
        end
        sheet[*there] = above
        sheet
      end

      # A sheet's own picture at the bottom is taken to the byte, what it has under no alpha too.
      def ground?(laid) = laid.equal?(@laid.first) && laid.opacity == 1 && laid.patch.box == @whole
    end
  end
end
