# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # The states that a job was in: listed, marked by a name, compared with the present one, and gone back to.
    module History
      # The name of a state.
      module Mark
        extend SheetTrace::Parameters

        text :mark, "none if nil", optional: true
      end

      def self.registered(app)
        app.get("/api/jobs/:id/history") { render_history }

        app.post("/api/jobs/:id/history/:number/mark") do
          workshop.jobs.mark(params[:id], revision_asked, Params.read(Mark, request_json)[:mark])
          render_history
        end

        app.get("/api/jobs/:id/history/:number/differences") do
          before = workshop.snapshot(params[:id], revision_asked).job
          lines = SheetTrace::Job::Differences.call(before, workshop.snapshot(params[:id]).job)
          answer(Json::HistoryJson::DIFFERENCES, { lines: lines })
        end

        # As a step of its own, so that what was done since stays.
        app.post("/api/jobs/:id/history/:number/back") do
          render_job(params[:id], workshop.go_back(params[:id], revision_asked, page: asking_page))
        end
        app.helpers Helpers
      end

      # Shared by the routes above.
      module Helpers
        def revision_asked = Params.integer(params[:number], :number)

        def render_history
          rows = workshop.jobs.states(params[:id])
          answer(
            Json::HistoryJson::SHAPE,
            Json::HistoryJson.call(rows, workshop.jobs.revision(params[:id]), asking_page)
          )
        end
      end
    end
  end
end
