# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A content or place as a document keeps it.
    class Kept < Parameters::Declared
      class << self
        # @return [Hash{Symbol => Parameters::Type}] what .facts tells of one beside its own values
        def fact_types = @fact_types ||= {}

        # Declares something that .facts tells.
        def fact(name, type) = fact_types[name] = type
      end

      # @return [Hash] its values as in JSON: angles in degrees
      def to_plain = self.class.to_plain(to_h)

      # @return [Hash] what is worked out of it for the screen, in the units of JSON
      def facts(_job, _content) = {}

      # Looks at once at what a bake will need, so that what can't be done is told now.
      def ready(_job, _content) = nil

      # @return [Boolean] whether a content is only seen at work, and in nothing that is delivered
      def guide? = false

      # @return [Boolean] whether a content is made for the whole sheet, and can lie nowhere else
      def whole_sheet? = false

      # @return [Boolean] whether a content is made of what is below it
      def reads_below? = false

      # @return [Array<PictureFile>] that a content shows
      def pictures = []

      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @return [Drawing::Letters, Drawing::SvgDrawing, nil] a content that is made of lines and areas, without px
      def vectors(_pictures) = nil

      # @return [Array] what of a canvas a bake of a content depends on, beside the content itself
      def dependencies(_canvas) = []

      # @param carry [Object] what becomes of islands and faces, as Job::Carry has it
      # @return [Kept] the same on another map
      def handed_on(_carry) = self

      # @return [Float, nil] width on the model of a place that says it
      def width_mm = nil

      # @return [Float, nil] px of the sheet to a mm of the model where a content lies at a place
      def density_px_per_mm(_job, _content) = nil

      # @return [Float, nil] width of a content that has letters, in ems
      def width_em = nil

      # @return [Kept] a place on a sheet that has grown or shrunk, islands keeping their px
      def kept_px(_from, _to, _added_px) = self

      # @return [Hash] plain values; angles stay radians
      def to_document = to_h

      # @param plain [Hash] as .to_document gives, with symbols for keys
      def self.from_document(plain) = new(**plain)

      # @param plain [Hash] as in JSON: what is changed of it
      # @return [Kept] checked
      # @raise [InputError] if there is no such thing to change, or it is out of range
      def changed(plain, context) = with(**self.class.from_plain(plain)).validated(context)
    end
  end
end
