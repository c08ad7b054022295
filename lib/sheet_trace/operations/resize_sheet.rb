# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives the sheet another size.
    #
    # width_px, height_px [Integer] 16 to 8192; keep [String] "uv" or "shape", as Layout#resize
    ResizeSheet = Struct.new(:width_px, :height_px, :keep, keyword_init: true) do
      def initialize(width_px:, height_px:, keep: "uv")
        super
        freeze
      end

      def validate(job)
        job.layout.resize(sheet, keep: keep)
        []
      rescue InputError => e
        [e.message]
      end

      def apply(job) = job.with(layout: job.layout.resize(sheet, keep: keep))

      def describe(job, after)
        "Sheet: #{job.sheet} -> #{after.sheet}, #{Words.short(job.density_px_per_mm)} -> #{Words.short(after.density_px_per_mm)} px/mm"
      end

      private

      def sheet = Layout::Sheet.new(width_px: width_px, height_px: height_px)
    end
  end
end
