# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Files to take away: the trace and the delivery.
    module Files
      def self.registered(app)
        app.helpers Helpers

        app.get("/api/jobs/:id/trace.png") do
          job = shown_job
          size = Params.size(params[:width_px], params[:height_px], job.sheet)
          drawing = SheetTrace::Trace::Template.call(job.layout, size: size, line_px: Params.number(params[:line_px], :line_px, 1.0),
                                                                 color: params.fetch(:color, "#1f2a36"), background: params.fetch(:background, "none"),
                                                                 edges: params.fetch(:edges, "all"), islands: picked_islands)
          download("#{base_name}-trace-#{size.width_px}x#{size.height_px}.png", "image/png", SheetTrace::Formats::Png::Writer.call(drawing.to_image))
        end

        app.get("/api/jobs/:id/deliver.zip") do
          job = shown_job
          size = Params.size(params[:width_px], params[:height_px], job.sheet)
          files = SheetTrace::Job::Deliver.call(job, pictures: workshop.pictures, size: size, base_name: base_name)
          download("#{base_name}.zip", "application/zip", SheetTrace::Formats::Zip::Writer.call(files))
        end
      end

      # Shared by the routes above.
      module Helpers
        def base_name = SheetTrace::Job::Deliver.base_name("#{workshop.jobs.find(params[:id])[:name]}.job")

        def picked_islands = params[:islands]&.split(",")&.map { |text| Params.integer(text, :islands) }

        # Shown in the page if preview is asked for, saved as a file if not.
        def download(name, type, bytes)
          content_type type
          attachment name unless params[:preview]
          bytes
        end
      end
    end
  end
end
