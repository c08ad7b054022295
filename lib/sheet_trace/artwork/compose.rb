# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Bakes the layers of an edition, carries the colours that each has at the islands' rims outwards by the bleed, and
    # lays them over each other. What was composed last on the same surface is taken where nothing has changed: a moved
    # island costs its own rectangle. A large sheet that is not to be changed is composed in parts, each by itself, of
    # which another process may make some.
    class Compose
      # A baked layer and how it is laid: patch [Patch]; opacity [Float]; blend [String]
      Laid = Struct.new(:patch, :opacity, :blend)

      # A composed sheet. pixels [Numo::UInt32] height x width, RGBA; laid [Array<Laid>] the lowest first;
      # layout [Layout, nil]; bleed_px [Integer]
      Composed = Struct.new(:pixels, :laid, :layout, :bleed_px, keyword_init: true) { def bytesize = pixels.byte_size }
      # From this share of the sheet on, all of it is composed anew.
      MOST = 0.6
      # Beyond so many texels it is composed in parts, as memory would not hold what all of it takes.
      AT_ONCE_PX = 1 << 24
      # From so many on another process is asked for some of the parts. Each half is halved so often.
      SHARED_PX = 1 << 22
      SHARES = 3
      # Texels about a part that are baked with it, beside the bleed: an edge is known only within.
      EDGE_PX = 1
      private_constant :Laid, :Composed, :MOST, :AT_ONCE_PX, :SHARED_PX, :SHARES, :EDGE_PX

      # @param stack [Stack]
      # @param canvas [Canvas]
      # @param edition [Integer] of the stack
      # @param guides [Boolean] with what is only seen at work
      # @param elsewhere [#call, nil] has a part of the sheet composed in another process, as .part does: takes a Box,
      #   waits for its Numo::UInt32, and gives that, or nil where it came to nothing; asked by a thread of its own
      # @return [Vips::Image] 8-bit sRGB with alpha, as large as what is wanted of the canvas
      def self.call(stack, canvas, edition: stack.shown, guides: false, elsewhere: nil)
        Patch.image(pixels(stack, canvas, edition: edition, guides: guides, elsewhere: elsewhere))
      end

      # @return [Numo::UInt32] the same as height x width texels, RGBA
      def self.pixels(stack, canvas, edition: stack.shown, guides: false, elsewhere: nil)
        own = new(stack.seen(edition, guides: guides), canvas, canvas.scaled_px(stack.bleed_px), [edition, guides])
        own.send(:pixels, elsewhere)
      end

      # @param box [Box] of the sheet
      # @return [Numo::UInt32] what .pixels has there, height x width texels
      def self.part(stack, canvas, box, edition: stack.shown)
        new(stack.seen(edition), canvas, canvas.scaled_px(stack.bleed_px), nil).send(:part, box)
      end

      # @param layers [Array<Layer>] the lowest first
      # @param bleed_px [Integer]
      # @return [Numo::UInt32] what they make, height x width texels, RGBA
      def self.of_layers(layers, canvas, bleed_px: 0)
        new(layers.select(&:shown?), canvas, canvas.scaled_px(bleed_px), nil).send(:pixels)
      end

      # @param layers [Array<Layer>] the lowest first
      # @return [Array<Array(Layer, Patch)>] what each has on the canvas; the patch nil where that is nothing
      def self.baked(layers, canvas) = new(layers, canvas, 0, nil).send(:baked)

      # @param bleed_px [Integer] at the canvas' size
      # @param kept [Object, nil] what the sheet is kept by, to be changed in parts the next time
      def initialize(layers, canvas, bleed_px, kept)
        @layers = layers
        @canvas = canvas
        @whole = canvas.wanted
        @bleed_px = bleed_px
        @kept = kept
      end
      private_class_method :new

      private

      def pixels(elsewhere = nil)
        return shared(elsewhere) if elsewhere && @whole.area >= SHARED_PX
        return in_parts if @whole.area > AT_ONCE_PX

        @laid = Progress.part(0, 0.7) { laid }
        former = (@kept && @canvas.composed(@kept)) || blank
        pixels = Progress.part(0.7, 1) { brought_up(former) }
        now = Composed.new(pixels: pixels.freeze, laid: @laid, layout: @canvas.layout, bleed_px: @bleed_px)
        @canvas.keep_composed(@kept, now) if @kept
        pixels
      end

      # The lower parts in another process, as soon as it is done with the last one; what does not come from there is
      # made here.
      def shared(elsewhere)
        whole = nothing(@whole)
        boxes = shares
        count = boxes.size
        there = Thread.new { take_from(elsewhere, boxes, whole) }
        there.report_on_exception = false # .join raises it
        in_turn(boxes, whole, count)
        there.join
        in_turn(boxes, whole, count)
        whole
      ensure
        there&.kill
      end

      # Ever smaller ones towards the middle, where both meet, so that neither waits long for the other.
      #
      # @return [Array<Box>] from the top down
      def shares
        upper, lower = @whole.halves
        above, below = [], []
        SHARES.times do
          own, upper = upper.halves
          lower, other = lower.halves
          above << own
          below.unshift(other)
        end
        [*above, upper, lower, *below]
      end

      def take_from(elsewhere, boxes, whole)
        while (box = boxes.pop)
          pixels = elsewhere.call(box)
          return boxes.push(box) unless pixels

          whole[*box.seen_from(@whole).ranges] = pixels
        end
      end

      def in_parts
        boxes = parts_of(AT_ONCE_PX / 2)
        nothing(@whole).tap { |whole| in_turn(boxes, whole, boxes.size) }
      end

      # @param boxes [Array<Box>] that are to be done, of which somebody else may take some meanwhile
      # @param count [Integer] of them at the start
      def in_turn(boxes, whole, count)
        while (box = boxes.shift)
          done = count - boxes.size
          Progress.part((done - 1).fdiv(count), done.fdiv(count)) { whole[*box.seen_from(@whole).ranges] = part(box) }
          GC.start if @whole.area > AT_ONCE_PX # the arrays it leaves are wanted back before Ruby would ask for them
        end
      end

      # @return [Array<Box>] of at most so many texels
      def parts_of(most)
        boxes = [@whole]
        boxes = boxes.flat_map(&:halves) while boxes.last.area > most
        boxes
      end

      # @return [Numo::UInt32] height x width of the box
      def part(box)
        around = box.grown(@bleed_px + EDGE_PX).within(@whole)
        pixels = Compose.send(:new, @layers, @canvas.within(around), @bleed_px, nil).send(:pixels)
        Geometry::Take.call(pixels, *box.seen_from(around).ranges)
      end

      def laid
        baked.filter_map { |layer, patch| Laid.new(patch, layer.look.opacity, layer.look.blend) if patch }
      end

      # @return [Array<Array(Layer, Patch)>] the patch nil where nothing of a layer is wanted
      def baked
        Progress.map(@layers.each_with_index.to_a) do |layer, at|
          [layer, layer.content.reads_below? ? baked_over(layer, @layers.first(at)) : @canvas.baked(layer)]
        end
      end

      # @param lower [Array<Layer>] below it
      # @return [Patch, nil] what is made of what is below it looks at all of that
      def baked_over(layer, lower)
        canvas = @canvas.all
        canvas.baked_over(layer, [canvas.linear, *lower.map { |own| key(own) }]) do
          Patch.image(Compose.of_layers(lower, canvas, bleed_px: SeamStrips::BLEED_PX))
        end
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
        return composed(@whole) if boxes == [@whole]

        pixels = Geometry::Take.copy(former.pixels)
        Progress.map(boxes) { |box| pixels[*box.seen_from(@whole).ranges] = composed(box) }
        pixels
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
