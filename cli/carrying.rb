# frozen_string_literal: true

module SheetTraceCli
  # Paint carried from one model's map onto another's, and what is told of it.
  class Carrying
    # @param from [SheetTrace::Formats::Reading]; painted [String] bytes of its picture
    # @param to [SheetTrace::Formats::Reading]; options [Hash] of the command line
    # @raise [SheetTrace::Error]
    def initialize(from, painted, to, options)
      @options = options
      @kind = File.extname(options[:out]).delete_prefix(".").downcase
      unless SheetTrace::Formats::Images::KINDS.key?(@kind)
        raise SheetTrace::InputError,
              "#{options[:out]}: an image ends in #{SheetTrace::Formats::Images::KINDS.keys.map { |own| ".#{own}" }.join(", ")}"
      end

      size = options[:size] || SheetTrace::Artwork::Picture.size_px(painted).join("x")
      @carried =
        SheetTrace::Job::CarryPaint.call(
          from,
          painted,
          to,
          size: SheetTrace::Layout::DocumentSize.parse(size),
          tolerance: options[:tolerance]&.to_f,
          bleed_px: options[:bleed].to_i
        )
    end

    # @return [String] of the file
    def bytes = SheetTrace::Formats::Images.call(@carried.image, @kind)

    # @return [Hash] JSON values
    def to_h
      {
        file: @options[:out],
        width_px: @carried.image.width,
        height_px: @carried.image.height,
        matched_faces: @carried.matched,
        unmatched_faces: @carried.unmatched
      }
    end

    # @return [String]
    def to_text
      left = @carried.unmatched.size
      found = SheetTrace::Operations::Phrases.count(@carried.matched, "face")
      rest = left.zero? ? "all of them" : "#{left} without paint"
      "#{@options[:out]}: #{@carried.image.width} x #{@carried.image.height} px, paint of #{found} carried, #{rest}"
    end
  end
end
