# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays a picture under the islands, stretched over the sheet; or adds it as a reference, which is only looked at.
    #
    # picture [String] digest; picture_px [Array(Integer, Integer)]; name [String]; reference [Boolean]
    # resize [Boolean] whether the sheet takes the picture's size; the islands are stretched along, so that the map is untouched
    AddUnderlay = Struct.new(:picture, :picture_px, :name, :reference, :resize, keyword_init: true) do
      def initialize(picture:, picture_px:, name:, reference: false, resize: false)
        super
        freeze
      end

      def validate(job)
        [Checks.text(name, "the underlay's name"), Checks.flag(reference, "reference"), Checks.flag(resize, "resize"),
         *(resize ? Checks.sheet(picture_px) : []),
         job.backdrop.underlays.size >= AddUnderlay::MOST ? "there are #{AddUnderlay::MOST} underlays; remove one first" : nil].compact
      end

      def apply(job)
        backdrop = job.backdrop
        added = backdrop.with(underlays: backdrop.underlays + [Fit::Underlay.new(name: name.strip, picture: picture, picture_px: picture_px, reference: reference)],
                              shown: reference ? backdrop.shown : backdrop.underlays.size)
        after = job.with(backdrop: added)
        resize ? after.with(layout: job.layout.resize(Layout::Sheet.new(width_px: picture_px[0], height_px: picture_px[1]))) : after
      end

      def describe(_job, after)
        return "#{name} added as a reference" if reference

        "#{name} laid under the islands, #{picture_px.join(" x ")} px#{Words.stretched(after)}#{", the sheet as large" if resize}"
      end
    end

    # How many pictures a job may have under its islands.
    class AddUnderlay
      MOST = 100
    end
  end
end
