# frozen_string_literal: true

require "fiddle"

module SheetTrace
  module Drawing
    # An SVG file, drawn by librsvg as what it is made of, lines and areas.
    #
    # Source: librsvg 2.54 reference manual, "RsvgHandle".
    class SvgDrawing
      # What librsvg makes px of.
      PX_ONLY = /\b(?:filter|mask)\b/
      private_constant :PX_ONLY

      # The C functions, opened when the first file is drawn.
      module Library
        P = Fiddle::TYPE_VOIDP
        HANDLE = Fiddle.dlopen("librsvg-2.so.2")
        SIGNATURES = {
          g_object_unref: [[P], Fiddle::TYPE_VOID],
          rsvg_handle_new_from_data: [[P, Fiddle::TYPE_LONG, P], P],
          rsvg_handle_render_document: [[P, P, P, P], Fiddle::TYPE_INT],
          rsvg_handle_set_dpi: [[P, Fiddle::TYPE_DOUBLE], Fiddle::TYPE_VOID]
        }.freeze
        FUNCTIONS =
          SIGNATURES.to_h { |name, (takes, gives)| [name, Fiddle::Function.new(HANDLE[name.to_s], takes, gives)] }
        private_constant :P, :HANDLE, :SIGNATURES, :FUNCTIONS

        def self.call(name, *arguments) = FUNCTIONS.fetch(name).call(*arguments)
      end
      private_constant :Library

      # @param bytes [String] of an SVG file
      # @return [Boolean] whether all of it is lines and areas
      def self.vectors?(bytes) = bytes.include?("<svg") && !bytes.match?(PX_ONLY)

      # @return [Array(Float, Float)] of what is drawn
      attr_reader :size

      # @param bytes [String] of a file that .vectors? holds for
      # @param size [Array(Float, Float)] that it is drawn at
      # @param crop [Array<Float>] left, top, right and bottom of what is drawn, shares of it
      def initialize(bytes, size:, crop:)
        @bytes = bytes
        @whole = size
        @left, @top, right, bottom = crop.zip(size * 2).map { |share, side| share * side }
        @size = [right - @left, bottom - @top]
      end

      # @param context [Cairo::Context] whose unit is that of the size
      # @raise [FormatError] where librsvg can't draw it
      def draw(context)
        context.save do
          context.rectangle(0, 0, *@size)
          context.clip
          context.set_source(recorded, -@left, -@top)
          context.paint
        end
      end

      # @return [Boolean] whether it can be drawn where straight lines become bent ones
      def bends? = false

      private

      # Straight: librsvg takes the box of what is turned for its gradients, which is larger.
      def recorded
        surface = Cairo::RecordingSurface.new(0, 0, *@whole)
        return surface if opened { |handle| rendered?(handle, Cairo::Context.new(surface)) }

        raise FormatError, "an SVG drawing can't be drawn; save it again and bring in the new file"
      end

      # At as many dots an inch as libvips takes when it makes px of one.
      def opened
        handle = Library.call(:rsvg_handle_new_from_data, @bytes, @bytes.bytesize, nil)
        return if handle.null?

        Library.call(:rsvg_handle_set_dpi, handle, 72.0)
        yield handle
      ensure
        Library.call(:g_object_unref, handle) unless handle.nil? || handle.null?
      end

      def rendered?(handle, context)
        viewport = [0.0, 0.0, *@whole].pack("d4")
        Library.call(:rsvg_handle_render_document, handle, context.raw_address, viewport, nil) == 1
      end
    end
  end
end
