# frozen_string_literal: true

module SheetTrace
  module Operations
    # Keeps that a template was exported, and its layout: so that the job can say when it is out of date, and what is
    # painted on it can come back though islands were moved meanwhile.
    class NoteExport < Operation
      MOST = 100
      private_constant :MOST

      whole :width_px, Layout::Sheet::TEMPLATE_PX
      whole :height_px, Layout::Sheet::TEMPLATE_PX
      one_of :format, Formats::Drawings::KINDS.keys, default: "png"
      text :at, "when, ISO 8601"

      def call(job)
        own =
          Trace::Exported.new(
            code: Trace::Code.call(job.layout),
            width_px: width_px,
            height_px: height_px,
            format: format,
            at: at
          )
        maps, = Job::PaintedOn.with_present(job, own.code)
        kept = job.with(exported: [*job.exported, own].last(MOST), painted_maps: maps)
        change(
          Job::PaintedOn.pruned(kept),
          "Template exported: #{width_px} x #{height_px} px, #{format.upcase}, layout #{own.code}"
        )
      end
    end
  end
end
