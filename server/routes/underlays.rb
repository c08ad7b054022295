# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Underlays as pictures, and questions about them: which cells they have, what a swap would bring, what goes where.
    module Underlays
      def self.registered(app)
        app.helpers Helpers

        app.get("/api/jobs/:id/underlay.png") do
          render_image("underlay") do |job|
            underlay = job.backdrop.underlay or raise Store::Jobs::NotFound, "no underlay is shown"
            SheetTrace::Artwork::UnderlayPicture.on_sheet(underlay, workshop.pictures.call(underlay.picture))
          end
        end

        app.get("/api/jobs/:id/underlays/:index.png") do
          index = Params.integer(params[:index], :index)
          render_image("underlay-#{index}") { |job| underlay_picture(job, index) }
        end

        app.get("/api/jobs/:id/underlays/:index/cells.json") do
          job = shown_job
          underlay = underlay_of(job, Params.integer(params[:index], :index))
          attachment "#{File.basename(underlay.name, ".*")}-cells.json"
          render_json(Json::BackdropJson.cell_file(underlay))
        end

        app.post("/api/jobs/:id/underlays/:index/cells") do
          body = Params.json(request.body.read)
          index = Params.integer(params[:index], :index)
          job = shown_job
          render_json(cells: (body[:columns] ? grid(underlay_of(job, index), body) : found(job, index)).map(&:to_h))
        end

        app.post("/api/jobs/:id/compositions") do
          body = Params.json(request.body.read)
          sheet, cells = composition(body)
          bytes = SheetTrace::Formats::Png::Writer.call(sheet, compression: 6)
          name = "composed-#{cells.size}.png"
          seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: name)
          status 201
          render_json(picture: { digest: workshop.jobs.keep_picture(params[:id], bytes, name, seen), name: name, **seen }, cells: cells.map(&:to_h))
        end

        app.get("/api/jobs/:id/underlays/:index/swap") do
          job = shown_job
          render_json(Json::SwapJson.call(job, underlay_of(job, Params.integer(params[:index], :index))))
        end

        app.post("/api/jobs/:id/matches") do
          job = shown_job
          body = Params.json(request.body.read)
          underlay = job.backdrop.underlay or raise SheetTrace::InputError.new("no underlay is shown; lay one under the islands first", where: {})
          islands = body[:islands] || (0...job.layout.uv_map.island_count).to_a
          problem = SheetTrace::Operations::Checks.islands(job, islands) and raise SheetTrace::InputError.new(problem, where: { islands: islands })
          render_json(proposals: Json::ProposalsJson.call(SheetTrace::Fit::Match.call(job.layout, islands, underlay, names: job.island_names, flat_map: job.method(:flat_map))))
        end

        app.get("/api/jobs/:id/borders") do
          job = shown_job
          underlay = job.backdrop.underlay
          seen = underlay ? SheetTrace::Fit::BorderWatch.call(job.layout, underlay, underlay_pixels(job, job.backdrop.shown)) : []
          render_json(borders: Json::BordersJson.call(seen, job.backdrop.inset_px))
        end

        app.get("/api/jobs/:id/landmarks/next") do
          job = shown_job
          island = Params.integer(params[:island], :island)
          problem = SheetTrace::Operations::Checks.island(job, island) and raise SheetTrace::InputError.new(problem, where: { island: island })
          used = job.backdrop.landmarks.select { |mark| mark.island(job.layout.uv_map) == island }.map { |mark| mark.at(job.layout.uv_map, job.layout.points_px) }
          render_json(at_px: SheetTrace::Fit::SuggestLandmark.call(job.layout, island, used))
        end
      end

      # Shared by the routes above.
      module Helpers
        def underlay_of(job, index)
          problem = SheetTrace::Operations::Checks.entry(index, job.backdrop.underlays, "underlay") and raise Store::Jobs::NotFound, problem
          job.backdrop.underlays[index]
        end

        def underlay_picture(job, index)
          underlay = underlay_of(job, index)
          SheetTrace::Artwork::UnderlayPicture.call(underlay, workshop.pictures.call(underlay.picture))
        end

        def underlay_pixels(job, index) = SheetTrace::Artwork::Picture.pixels(underlay_picture(job, index))

        def composition(body)
          columns, gutter, width, height = { columns: 0, gutter_px: 4, width_px: 256, height_px: 256 }.map { |name, default| Params.count(body.fetch(name, default), name) }
          pictures = Array(body[:pictures]).to_h do |digest|
            picture = workshop.jobs.picture(params[:id], digest)
            [picture[:name], SheetTrace::Artwork::Picture.read(workshop.pictures.call(digest), name: picture[:name])]
          end
          SheetTrace::Artwork::ComposeSheet.call(pictures, cell_px: [[width, 1].max, [height, 1].max], columns: columns.zero? ? nil : columns, gutter_px: gutter,
                                                           trim: body.fetch(:trim, true) == true, even_light: body[:even_light] == true)
        end

        def found(job, index) = SheetTrace::Fit::FindCells.call(underlay_pixels(job, index))

        def grid(underlay, body)
          columns, rows, gutter, margin = %i[columns rows gutter_px margin_px].map { |name| Params.count(body.fetch(name, 0), name) }
          raise SheetTrace::InputError.new("give one column and row at the least", where: { columns: columns, rows: rows }) unless [columns, rows].min.positive?

          SheetTrace::Fit::GridCells.call(*underlay.size_px, columns: columns, rows: rows, gutter_px: gutter, margin_px: margin)
        end
      end
    end
  end
end
