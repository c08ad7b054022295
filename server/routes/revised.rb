# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # A revised model beside the job's own, before it is taken.
    module Revised
      SIDE_PX = 420
      LIT = [232, 119, 34, 255].freeze
      private_constant :SIDE_PX

      def self.registered(app)
        app.post("/api/jobs/:id/models") do
          workshop.jobs.find(params[:id])
          file = SheetTrace::Job::ModelFile.of_bytes(uploaded_bytes, name: uploaded_name)
          seen = { media_type: Store::Jobs::MODEL, width_px: 0, height_px: 0 }
          digest = workshop.jobs.keep_picture(params[:id], file.bytes, file.name, seen)
          status 201
          answer(Json::BroughtFileJson::SHAPE, Json::BroughtFileJson.call(digest))
        end

        app.get("/api/jobs/:id/revised/:digest") do
          change = revised_by(shown_job)
          answer(Json::RevisedJson::SHAPE, Json::RevisedJson.call(change))
        end

        # What differs is lit: on the old model what is gone or moved, on the new one what moved; what is new is bare.
        %w[before after].each do |side|
          app.get("/api/jobs/:id/revised/:digest/#{side}.png") do
            job = shown_job
            found = SheetTrace::Job::Revised.call(job, revised_file.reading, name: revised_file.name)
            own, lit = side == "before" ? [job, found.lost] : [found.job, found.moved]
            sheet = lit(own, composed(own, fit(own.sheet, 512)), lit)
            content_type "image/png"
            SheetTrace::Formats::Png::Writer.call(
              SheetTrace::Artwork::ModelPicture.call(own.layout, sheet, side_px: SIDE_PX)
            )
          end
        end
        app.helpers Helpers
      end

      # Shared by the routes above.
      module Helpers
        def revised_file
          file = workshop.picture_files(params[:id]).call(params[:digest])
          file.is_a?(SheetTrace::Job::ModelFile) ? file : raise(Store::Jobs::NotFound, "this model is not in the job")
        end

        def revised_by(job)
          operation = SheetTrace::Operations.from_plain("revise_model", { file: params[:digest] })
          SheetTrace::Operations.run(operation, job, pictures: workshop.picture_files(params[:id]))
        end

        # The sheet with the faces in one colour.
        def lit(job, sheet, faces)
          return sheet if faces.empty?

          size = SheetTrace::Layout::Sheet.new(width_px: sheet.width, height_px: sheet.height)
          triangles = SheetTrace::Artwork::Mask.new(faces: faces).triangles(job.layout.uv_map).where
          map =
            SheetTrace::Raster::TexelMap.call(
              size.to_px(job.layout.points_uv),
              job.layout.uv_map.triangles.points[triangles, true],
              width_px: size.width_px,
              height_px: size.height_px
            )
          pixels = SheetTrace::Artwork::Picture.pixels(sheet).reshape(sheet.width * sheet.height, 4)
          pixels[map.texels, true] = Numo::UInt8[Revised::LIT] unless map.texels.empty?
          SheetTrace::Artwork::Patch.image(pixels, sheet.width, sheet.height)
        end
      end
    end
  end
end
