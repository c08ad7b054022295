# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Underlays as pictures, and questions about them: which cells they have, what a swap would bring, what goes where.
    module Underlays
      # Cells by a grid.
      module Grid
        extend SheetTrace::Parameters

        whole :columns, 1..4096
        whole :rows, 1..4096, default: 1
        whole :gutter_px, 0..100_000, default: 0
        whole :margin_px, 0..100_000, default: 0
      end

      # One sheet of several pictures.
      module Composition
        extend SheetTrace::Parameters

        parameter :pictures,
                  SheetTrace::Parameters::ListOf.new(SheetTrace::Parameters::Text.new(64), entry: "picture"),
                  "digests"
        whole :columns, 0..4096, "as square a grid as goes if 0", default: 0
        whole :width_px, 1..8192, "of a cell", default: 256
        whole :height_px, 1..8192, default: 256
        whole :gutter_px, 0..1024, default: 4
        flag :trim, default: true
        flag :even_light, default: false
      end

      # Islands that cells are sought for.
      module Matched
        extend SheetTrace::References

        islands :islands, "all if nil", optional: true
      end

      # The island that the next landmark goes on.
      module Marked
        extend SheetTrace::References

        island
      end

      def self.registered(app)
        app.helpers Helpers

        app.get("/api/jobs/:id/underlay.png") do
          render_image("underlay") do |job|
            underlay = job.fit_setup.underlay or raise Store::Jobs::NotFound, "no underlay is shown"
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
          content_type :json
          JSON.generate(Json::FitSetupJson.cell_file(underlay))
        end

        app.post("/api/jobs/:id/underlays/:index/cells") do
          job = shown_job
          index = Params.integer(params[:index], :index)
          wanted = request_json
          cells =
            (
              if wanted.empty?
                SheetTrace::Fit::FindCells.call(underlay_pixels(job, index))
              else
                grid(underlay_of(job, index), Params.read(Grid, wanted))
              end
            )
          answer(Json::FitSetupJson::CELLS, { cells: cells.map(&:to_h) })
        end

        app.post("/api/jobs/:id/compositions") do
          sheet, cells = composition(Params.read(Composition, request_json))
          bytes = SheetTrace::Formats::Png::Writer.call(sheet, compression: 6)
          name = "composed-#{cells.size}.png"
          seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: name)
          status 201
          picture = { digest: workshop.jobs.keep_picture(params[:id], bytes, name, seen), name: name, **seen }
          answer(Json::FitSetupJson::COMPOSED, { picture: picture, cells: cells.map(&:to_h) })
        end

        app.get("/api/jobs/:id/underlays/:index/swap") do
          job = shown_job
          answer(
            Json::SwapJson::SHAPE,
            Json::SwapJson.call(job, underlay_of(job, Params.integer(params[:index], :index)))
          )
        end

        app.post("/api/jobs/:id/matches") do
          job = shown_job
          underlay = job.fit_setup.underlay or
            raise SheetTrace::InputError, "no underlay is shown; lay one under the islands first"
          islands = Params.read(Matched, request_json, job)[:islands] || (0...job.layout.uv_map.island_count).to_a
          proposals =
            SheetTrace::Fit::Match.call(
              job.layout,
              islands,
              underlay,
              names: job.island_names,
              flat_map: job.method(:flat_map)
            )
          answer(Json::ProposalsJson::SHAPE, Json::ProposalsJson.call(proposals))
        end

        app.get("/api/jobs/:id/borders") do
          job = shown_job
          underlay = job.fit_setup.underlay
          seen =
            (
              if underlay
                SheetTrace::Fit::BorderWatch.call(job.layout, underlay, underlay_pixels(job, job.fit_setup.shown))
              else
                []
              end
            )
          answer(Json::BordersJson::SHAPE, Json::BordersJson.call(seen, job.fit_setup.inset_px))
        end

        app.get("/api/jobs/:id/landmarks/next") do
          job = shown_job
          island = Params.query(Marked, params, job)[:island]
          used =
            job
              .fit_setup
              .landmarks
              .select { |mark| mark.island(job.layout.uv_map) == island }
              .map { |mark| mark.at(job.layout.uv_map, job.layout.points_px) }
          answer(
            Json::FitSetupJson::NEXT_LANDMARK,
            { at_px: SheetTrace::Fit::SuggestLandmark.call(job.layout, island, used) }
          )
        end
      end

      # Shared by the routes above.
      module Helpers
        def underlay_of(job, index)
          underlays = job.fit_setup.underlays
          return underlays[index] if index.between?(0, underlays.size - 1)

          raise Store::Jobs::NotFound, "there is no underlay #{index}; there are #{underlays.size}, counted from 0"
        end

        def underlay_picture(job, index)
          underlay = underlay_of(job, index)
          SheetTrace::Artwork::UnderlayPicture.call(underlay, workshop.pictures.call(underlay.picture))
        end

        def underlay_pixels(job, index) = SheetTrace::Artwork::Picture.pixels(underlay_picture(job, index))

        def composition(wanted)
          pictures =
            wanted[:pictures].to_h do |digest|
              picture = workshop.jobs.picture(params[:id], digest)
              [picture[:name], SheetTrace::Artwork::Picture.read(workshop.pictures.call(digest), name: picture[:name])]
            end
          SheetTrace::Artwork::ComposeSheet.call(
            pictures,
            cell_px: wanted.values_at(:width_px, :height_px),
            columns: wanted[:columns].zero? ? nil : wanted[:columns],
            **wanted.slice(:gutter_px, :trim, :even_light)
          )
        end

        def grid(underlay, wanted) = SheetTrace::Fit::GridCells.call(*underlay.size_px, **wanted)
      end
    end
  end
end
