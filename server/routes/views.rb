# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # What the sheet and the proof draw: arrays and images of a revision. They never change, so the
    # browser may keep them.
    module Views
      # The longer side of the image that the screen shows; the delivered one has the sheet's own size.
      PREVIEW_PX = 2048
      COMPARED_PX = 1024
      REACH_PX = 512
      THUMBNAIL_PX = 320
      MODEL_PX = 240
      LARGE_MODEL_PX = 640
      EDITION_PX = 400
      TEMPLATE_PX = 160
      private_constant :PREVIEW_PX,
                       :COMPARED_PX,
                       :REACH_PX,
                       :THUMBNAIL_PX,
                       :MODEL_PX,
                       :LARGE_MODEL_PX,
                       :EDITION_PX,
                       :TEMPLATE_PX

      # An edition, and from where it is seen.
      module SeenEdition
        extend SheetTrace::References

        edition
        one_of :view, SheetTrace::Artwork::ModelPicture::VIEWS.keys, default: "corner"
      end

      def self.registered(app)
        app.helpers Helpers

        # One or several, which cost less by one worker than each by another.
        app.get("/api/jobs/:id/arrays/:names") do
          names = params[:names].split(",")
          unknown = names.empty? ? "without a name" : (names - Json::Arrays::NAMES).first
          raise Store::Jobs::NotFound, "there is no array #{unknown}" if unknown

          bytes = Json::Arrays.binary(names, shown_job)
          forever
          content_type "application/octet-stream"
          bytes
        end

        app.get("/api/jobs/:id/sheet.tiles") { render_tiles(shown_job) }

        # As the sheet would be after an operation: asked for while the hand rests with what it is about to put down.
        app.post("/api/jobs/:id/sheet.tiles") do
          operation =
            SheetTrace::Operations.from_plain(*Params.read(Jobs::Call, request_json).values_at(:name, :parameters))
          pictures = workshop.picture_files(params[:id])
          render_tiles(SheetTrace::Operations.run(operation, shown_job, pictures: pictures).job)
        end

        app.get("/api/jobs/:id/seams") do
          job = shown_job
          canvas = job.canvas(pictures: workshop.pictures, size: fit(job.sheet, PREVIEW_PX))
          sheet = SheetTrace::Artwork::Compose.call(job.artwork, canvas)
          seams = SheetTrace::Artwork::SeamCheck.call(job.layout, sheet, unit_mm: job.unit_mm)
          answer(Json::SeamsJson::SHAPE, Json::SeamsJson.call(seams))
        end

        app.get("/api/jobs/:id/reach") do
          job = shown_job
          canvas = job.canvas(pictures: workshop.pictures, size: fit(job.sheet, REACH_PX))
          answer(Json::ReachJson::SHAPE, Json::ReachJson.call(SheetTrace::Artwork::Reach.call(job.artwork, canvas)))
        end

        app.get("/api/jobs/:id/mask.png") do
          render_image("mask") do |job|
            job.mask_picture(job.canvas(pictures: workshop.pictures, size: fit(job.sheet, PREVIEW_PX)))
          end
        end

        SheetTrace::Artwork::Relief::PICTURES.each do |kind|
          app.get("/api/jobs/:id/#{kind}.png") do
            render_image(kind) do |job|
              size = fit(job.sheet, PREVIEW_PX)
              job.relief_picture(kind, composed(job, size), size)
            end
          end
        end

        { "chart" => true, "checker" => false }.each do |name, lettered|
          app.get("/api/jobs/:id/#{name}.png") do
            render_image(name) do |job|
              size = fit(job.sheet, PREVIEW_PX)
              density =
                job.density_px_per_mm *
                  Math.sqrt(size.width_px.fdiv(job.sheet.width_px) * size.height_px.fdiv(job.sheet.height_px))
              SheetTrace::Artwork::TestChart.call(size, density_px_per_mm: density, lettered: lettered)
            end
          end
        end

        SheetTrace::Artwork::MeasureMap::KINDS.each_key do |kind|
          app.get("/api/jobs/:id/#{kind}.png") do
            render_image(kind) do |job|
              SheetTrace::Artwork::MeasureMap.call(
                kind,
                job.layout,
                unit_mm: job.unit_mm,
                size: fit(job.sheet, PREVIEW_PX)
              )
            end
          end
        end

        app.get("/api/jobs/:id/worst_faces") do
          answer(Json::WorstFacesJson::SHAPE, Json::WorstFacesJson.call(shown_job, params[:by].to_s))
        end

        app.get("/api/legends") { answer(Json::LegendsJson::SHAPE, Json::LegendsJson.call) }

        app.get("/api/jobs/:id/worn.png") do
          render_image("worn #{params[:kept]}") do |job|
            job = with_kept_map(job) if params[:kept]
            worn(job, fit(job.sheet, COMPARED_PX))
          end
        end

        { "model" => MODEL_PX, "large-model" => LARGE_MODEL_PX }.each do |name, side_px|
          app.get("/api/jobs/:id/#{name}.png") do
            render_image(name) do |job|
              sheet = worn(job, fit(job.sheet, COMPARED_PX))
              SheetTrace::Artwork::ModelPicture.call(job.layout, sheet, side_px: side_px)
            end
          end
        end

        app.get("/api/jobs/:id/editions/:edition/model.png") do
          values = Params.query(SeenEdition, params, shown_job)
          render_image("edition #{values[:edition]} #{values[:view]}") do |job|
            size = fit(job.sheet, COMPARED_PX)
            canvas = job.canvas(pictures: workshop.pictures, size: size)
            sheet = SheetTrace::Artwork::Compose.call(job.artwork, canvas, edition: values[:edition])
            from = SheetTrace::Artwork::ModelPicture::VIEWS.fetch(values[:view])
            SheetTrace::Artwork::ModelPicture.call(job.layout, sheet, side_px: EDITION_PX, from: from)
          end
        end

        app.get("/api/jobs/:id/templates/:code.png") do
          render_image("template #{params[:code]}") do |job|
            layout = SheetTrace::Job::PaintedOn.layouts(job)[params[:code]] or
              raise Store::Jobs::NotFound, "there is no template of layout #{params[:code]}"
            size = fit(layout.sheet, TEMPLATE_PX)
            SheetTrace::Trace::Template.call(layout, size: size, edges: "outline", background: "white").to_image
          end
        end

        app.get("/api/jobs/:id/thumbnail.png") do
          render_image("thumbnail") do |job|
            size = fit(job.sheet, THUMBNAIL_PX)
            lines = SheetTrace::Trace::Template.call(job.layout, size: size, edges: "outline")
            worn(job, size).composite2(lines.to_image, :over).cast(:uchar)
          end
        end
      end

      # Shared by the routes above.
      module Helpers
        # The job as it is, or as it would be with a map that was set aside.
        def shown_job
          job = workshop.snapshot(params[:id], params[:revision] && Params.integer(params[:revision], :revision)).job
          params[:kept] ? with_kept_map(job) : job
        end

        def with_kept_map(job)
          kept = Params.integer(params[:kept], :kept)
          raise Store::Jobs::NotFound, "there is no kept map #{kept}" unless kept.between?(0, job.kept_maps.size - 1)

          SheetTrace::Operations.run(SheetTrace::Operations::TakeKeptMap.new(index: kept), job).job
        end

        def render_tiles(job)
          canvas = job.canvas(pictures: workshop.pictures, size: fit(job.sheet, PREVIEW_PX))
          cache_control :no_store
          content_type "application/octet-stream"
          Json::SheetTiles.call(
            SheetTrace::Artwork::Compose.pixels(job.artwork, canvas, guides: true),
            params[:known].to_s.split(",")
          )
        end

        def render_image(kind, &draw)
          revision = Params.integer(params[:revision], :revision)
          bytes =
            workshop.image(params[:id], revision, kind) do |job|
              SheetTrace::Formats::Png::Writer.call(draw.call(job), compression: 1)
            end
          forever
          content_type "image/png"
          bytes
        end

        # The art, or as long as there is none the underlay.
        def worn(job, size)
          underlay = job.artwork.layers.empty? && job.fit_setup.underlay
          return composed(job, size) unless underlay

          image = SheetTrace::Artwork::UnderlayPicture.on_sheet(underlay, workshop.pictures.call(underlay.picture))
          kernel = image.width < size.width_px ? :nearest : :lanczos3
          image
            .resize(size.width_px.fdiv(image.width), vscale: size.height_px.fdiv(image.height), kernel: kernel)
            .cast(:uchar)
            .copy(interpretation: :srgb)
        end

        def composed(job, size)
          SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: workshop.pictures, size: size))
        end

        def fit(sheet, longest)
          scale = [longest.fdiv([sheet.width_px, sheet.height_px].max), 1.0].min
          SheetTrace::Layout::Sheet.new(
            width_px: [(sheet.width_px * scale).round, 16].max,
            height_px: [(sheet.height_px * scale).round, 16].max
          )
        end
      end
    end
  end
end
