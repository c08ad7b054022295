# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Files to take away: the trace, the delivery, the job as a recipe.
    module Files
      # Which islands a trace shows.
      module Chosen
        extend SheetTrace::References

        islands :islands, "all if nil", optional: true
      end

      def self.registered(app)
        app.helpers Helpers

        app.get("/api/jobs/:id/trace.png") do
          job = shown_job
          size = Params.size(params, job.sheet)
          drawing =
            SheetTrace::Trace::Template.call(
              job.layout,
              size: size,
              **Params.query(SheetTrace::Trace::Template, params),
              **Params.query(Chosen, params, job)
            )
          download(
            "#{base_name}-trace-#{size.width_px}x#{size.height_px}.png",
            "image/png",
            SheetTrace::Formats::Png::Writer.call(drawing.to_image, px_per_mm: job.true_density_px_per_mm(size))
          )
        end

        app.get("/api/jobs/:id/palette.txt") do
          download("#{base_name}-palette.txt", "text/plain", SheetTrace::Artwork::Swatch.write(shown_job.palette))
        end

        app.get("/api/jobs/:id/editions.csv") do
          csv = SheetTrace::Artwork::EditionTable.to_csv(shown_job.artwork)
          download("#{base_name}-editions.csv", "text/csv", csv)
        end

        app.get("/api/jobs/:id/deliver.zip") do
          job = shown_job
          files =
            SheetTrace::Job::Deliver.call(
              job,
              pictures: workshop.pictures,
              size: Params.size(params, job.sheet),
              base_name: base_name
            )
          download("#{base_name}.zip", "application/zip", SheetTrace::Formats::Zip::Writer.call(files))
        end

        app.get("/api/jobs/:id/recipe.zip") do
          download(
            "#{base_name}-recipe.zip",
            "application/zip",
            SheetTrace::Formats::Zip::Writer.call(workshop.recipe_files(params[:id]))
          )
        end
      end

      # Shared by the routes above.
      module Helpers
        def base_name = SheetTrace::Job::Deliver.base_name("#{workshop.jobs.find(params[:id])[:name]}.job")

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
