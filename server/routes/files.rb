# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Files to take away: the trace, the delivery, the job as a recipe.
    module Files
      # A part of what is delivered.
      module Part
        extend SheetTrace::References

        side = 0..SheetTrace::Layout::Sheet::SIDE_PX.max
        whole :left_px, side
        whole :top_px, side
        whole :across_px, side
        whole :down_px, side
        edition
        flag :bleed
      end
      private_constant :Part

      def self.registered(app)
        app.helpers Helpers

        gives(app, "/api/jobs/:id/trace.:format") do
          job = shown_job
          size = Params.size(params, job.sheet, declared: Params::TemplateSize)
          file = Params.query(SheetTrace::Job::TemplateFile, params, job)
          download(
            "#{base_name}-trace-#{size.width_px}x#{size.height_px}.#{file[:format]}",
            SheetTrace::Formats::Drawings::KINDS.fetch(file[:format])[:media_type],
            SheetTrace::Job::TemplateFile.call(
              job,
              size: size,
              title: workshop.jobs.find(params[:id])[:name],
              pictures: workshop.pictures,
              file: file,
              options: Params.query(SheetTrace::Trace::Template, params)
            )
          )
        end

        app.get("/api/jobs/:id/palette.txt") do
          download("#{base_name}-palette.txt", "text/plain", SheetTrace::Artwork::Swatch.write(shown_job.palette))
        end

        app.get("/api/jobs/:id/editions.csv") do
          csv = SheetTrace::Artwork::EditionTable.to_csv(shown_job.artwork)
          download("#{base_name}-editions.csv", "text/csv", csv)
        end

        gives(app, "/api/jobs/:id/deliver.zip") do
          params[:revision] ||= workshop.jobs.revision(params[:id])[:id].to_s
          job = shown_job
          files =
            SheetTrace::Job::Deliver.call(
              job,
              pictures: workshop.pictures,
              size: Params.size(params, job.sheet),
              base_name: base_name,
              elsewhere: elsewhere,
              **Params.query(SheetTrace::Job::Deliver, params, job)
            )
          next into(files) if request.post?

          download("#{base_name}.zip", "application/zip", SheetTrace::Formats::Zip::Writer.call(files))
        end

        # What another worker asks for, as its own work goes on. It hands over an open file as the request's body, which
        # the texels are written to.
        app.post("/api/jobs/:id/deliver.part") do
          job = shown_job
          asked = Params.query(Part, params, job)
          texels =
            SheetTrace::Job::Deliver.part(
              job,
              SheetTrace::Artwork::Box.new(*asked.values_at(:left_px, :top_px, :across_px, :down_px)),
              pictures: workshop.pictures,
              size: Params.size(params, job.sheet),
              **asked.slice(:edition, :bleed)
            )
          request.body.write(texels.to_binary)
          204
        end

        app.get("/api/jobs/:id/delivery-check") do
          job = shown_job
          size = Params.size(params, job.sheet)
          options = Params.query(SheetTrace::Job::Deliver, params, job)
          rules = SheetTrace::Job::ReceiverRules.new(**Params.query(SheetTrace::Job::ReceiverRules, params))
          breaks =
            rules.breaks(job, size, options, base_name: base_name) do
              SheetTrace::Job::Deliver.call(
                job,
                pictures: workshop.pictures,
                size: size,
                base_name: base_name,
                **options
              )
            end
          answer(Json::BreaksJson::SHAPE, Json::BreaksJson.call(breaks))
        end

        gives(app, "/api/jobs/:id/print.:format") do
          job = shown_job
          options = Params.query(SheetTrace::Job::PrintFile, params, job)
          name = SheetTrace::Job::Deliver.base_name("#{job.island_names[options[:island]]}.x")
          download(
            "#{base_name}-#{name}-#{options[:kind]}.#{options[:format]}",
            SheetTrace::Formats::Drawings::KINDS.fetch(options[:format])[:media_type],
            SheetTrace::Job::PrintFile.call(
              job,
              title: workshop.jobs.find(params[:id])[:name],
              pictures: workshop.pictures,
              **options
            )
          )
        end

        app.get("/api/jobs/:id/job.zip") do
          download(
            "#{base_name}-job.zip",
            "application/zip",
            SheetTrace::Formats::Zip::Writer.call(workshop.archive_files(params[:id]))
          )
        end

        app.get("/api/jobs/:id/recipe.zip") do
          download(
            "#{base_name}-recipe.zip",
            "application/zip",
            SheetTrace::Formats::Zip::Writer.call(workshop.recipe_files(params[:id]))
          )
        end
      end

      # To be taken away, or by a POST to be written into the job's exchange folder.
      def self.gives(app, path, &)
        app.get(path, &)
        app.post(path, &)
      end
      private_class_method :gives

      # Shared by the routes above.
      module Helpers
        def base_name = SheetTrace::Job::Deliver.base_name("#{workshop.jobs.find(params[:id])[:name]}.job")

        # @return [#call, nil] as SheetTrace::Job::Deliver has it: by another worker, if there are others
        def elsewhere
          others = settings.others or return
          seen = params.slice(:revision, :kept)
          lambda do |box, size:, edition:, bleed:|
            bytes =
              others.call(
                "/api/jobs/#{params[:id]}/deliver.part",
                **seen.transform_keys(&:to_sym),
                **size.to_h.slice(:width_px, :height_px),
                **Part.parameters.keys.first(4).zip(box.to_a).to_h,
                edition: edition,
                bleed: bleed
              )
            bytes && Numo::UInt32.from_binary(bytes, [box.height_px, box.width_px])
          end
        end

        # Shown in the page if preview is asked for, written into the exchange folder where it is posted, else saved as
        # a file.
        def download(name, type, bytes)
          return into(name => bytes) if request.post?

          content_type type
          attachment name unless params[:preview]
          bytes
        end

        # @param files [Hash{String => String}] name => bytes
        def into(files)
          files.each { |name, bytes| into_folder(name, bytes) }
          first, *rest = files.keys
          more = rest.empty? ? "" : " and #{rest.size} more"
          answer(Json::DoneJson::SHAPE, Json::DoneJson.call("#{first}#{more} written into the exchange folder"))
        end
      end
    end
  end
end
