# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Jobs: list, start, look at, rename, delete; operations, undo and redo.
    module Jobs
      def self.registered(app)
        app.get("/api/jobs") { render_json(jobs: workshop.jobs.list.map { |row| row.merge(updated_at: row[:updated_at].iso8601) }) }

        app.post("/api/jobs") do
          id = workshop.start(uploaded_files)
          status 201
          render_job(id)
        end

        app.get("/api/solids") { render_json(solids: Json::SolidsJson.call) }

        app.post("/api/solids") do
          body = Params.json(request.body.read)
          id = workshop.start_solid(body[:kind].to_s, body[:measures].to_h)
          status 201
          render_job(id)
        end

        app.get("/api/jobs/:id/preflight") do
          render_json(Json::PreflightJson.call(shown_job))
        end

        app.get("/api/jobs/:id") { render_job(params[:id]) }

        app.patch("/api/jobs/:id") do
          name = Params.json(request.body.read)[:name]
          problem = SheetTrace::Operations::Checks.text(name, "the job's name")
          raise SheetTrace::InputError, problem if problem

          workshop.jobs.rename(params[:id], name.strip)
          render_job(params[:id])
        end

        app.delete("/api/jobs/:id") do
          workshop.jobs.delete(params[:id])
          status 204
        end

        app.post("/api/jobs/:id/operations") do
          body = Params.json(request.body.read)
          done = workshop.operate(params[:id], body[:base_revision], body[:name].to_s, with_ids(body[:name], Params.radians(body[:parameters].to_h)))
          render_job(params[:id], done)
        end

        app.post("/api/jobs/:id/undo") { render_step(-1, "Undone") }
        app.post("/api/jobs/:id/redo") { render_step(1, "Done again") }
      end
    end
  end
end
