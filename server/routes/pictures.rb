# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Pictures brought into a job, for layers and underlays.
    module Pictures
      # What browsers show as it is.
      SHOWN = %w[image/png image/jpeg image/webp].freeze
      private_constant :SHOWN

      def self.registered(app)
        app.post("/api/jobs/:id/pictures") do
          workshop.jobs.find(params[:id])
          pictures, notes = SheetTrace::Formats::Pictures.open(uploaded_bytes, name: uploaded_name)
          kept =
            pictures.map do |picture|
              {
                digest: workshop.jobs.keep_picture(params[:id], picture.bytes, picture.name, picture.seen),
                name: picture.name,
                **picture.seen
              }
            end
          status 201
          answer(Json::BroughtJson::SHAPE, Json::BroughtJson.call(kept, notes.map(&:message)))
        end

        app.post("/api/jobs/:id/fonts") do
          workshop.jobs.find(params[:id])
          file = SheetTrace::Artwork::FontFile.of_bytes(uploaded_bytes, name: uploaded_name)
          seen = { media_type: Store::Jobs::FONT, width_px: 0, height_px: 0 }
          digest = workshop.jobs.keep_picture(params[:id], file.bytes, file.name, seen)
          status 201
          answer(Json::BroughtFileJson::SHAPE, Json::BroughtFileJson.call(digest))
        end

        app.get("/api/jobs/:id/pictures/:digest/colors") do
          picture = workshop.jobs.picture(params[:id], params[:digest])
          forever
          image = SheetTrace::Artwork::Picture.read(workshop.pictures.call(picture[:digest]))
          answer(Json::ColorsJson::SHAPE, Json::ColorsJson.call(SheetTrace::Artwork::MainColors.call(image)))
        end

        # Which of the exported templates a picture was painted over.
        app.get("/api/jobs/:id/pictures/:digest/painted-on") do
          job = shown_job
          bytes = workshop.pictures.call(workshop.jobs.picture(params[:id], params[:digest])[:digest])
          image = SheetTrace::Artwork::Picture.read(bytes).copy_memory
          found =
            SheetTrace::Trace::Recognise.call(
              image,
              SheetTrace::Job::PaintedOn.layouts(job),
              code: SheetTrace::Formats::Label.code(bytes)
            )
          answer(Json::PaintedOnJson::SHAPE, Json::PaintedOnJson.call(job, found, image))
        end

        app.get("/api/jobs/:id/pictures/:digest") do
          picture = workshop.jobs.picture(params[:id], params[:digest])
          forever
          bytes = workshop.pictures.call(picture[:digest])
          shown = SHOWN.include?(picture[:media_type])
          content_type(shown ? picture[:media_type] : "image/png")
          if shown
            bytes
          else
            SheetTrace::Formats::Png::Writer.call(SheetTrace::Artwork::Picture.read(bytes), compression: 1)
          end
        end
      end
    end
  end
end
