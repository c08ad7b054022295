# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Jobs: list, start, look at, rename, copy, delete; operations, undo and redo.
    module Jobs
      # What is said of a job itself.
      module Naming
        extend SheetTrace::Parameters

        text :name, label: "the job's name"
      end

      # A solid to start from.
      module Solid
        extend SheetTrace::Parameters

        one_of :kind, SheetTrace::Solids::KINDS.names
        parameter :measures, SheetTrace::Parameters::AnyHash.new, "as the solid declares them", default: {}
      end

      # A call of an operation.
      module Call
        extend SheetTrace::Parameters

        text :name
        parameter :parameters, SheetTrace::Parameters::AnyHash.new, "of the operation", default: {}
        whole :base_revision, 0..1_000_000_000_000, "that it is made on", label: "base_revision", optional: true
      end

      # The job that a layer is copied into.
      module Elsewhere
        extend SheetTrace::Parameters

        text :to, "its id"
        whole :revision, 0..1_000_000_000_000, "of the job that has the layer", optional: true
      end

      def self.registered(app)
        app.get("/api/jobs") { answer(Json::JobsJson::SHAPE, Json::JobsJson.call(workshop.jobs.list)) }

        app.post("/api/jobs") do
          id = workshop.start(uploaded_files)
          status 201
          render_job(id)
        end

        app.get("/api/solids") { answer(Json::SolidsJson::SHAPE, Json::SolidsJson.call) }

        app.post("/api/solids") do
          id = workshop.start_solid(*Params.read(Solid, request_json).values_at(:kind, :measures))
          status 201
          render_job(id)
        end

        app.get("/api/jobs/:id/preflight") do
          answer(Json::PreflightJson::SHAPE, Json::PreflightJson.call(shown_job, workshop.pictures))
        end

        app.get("/api/jobs/:id") { render_job(params[:id]) }

        app.patch("/api/jobs/:id") do
          workshop.jobs.rename(params[:id], Params.read(Naming, request_json)[:name])
          render_job(params[:id])
        end

        app.post("/api/jobs/:id/copy") do
          id = workshop.jobs.copy(params[:id])
          status 201
          render_job(id)
        end

        app.delete("/api/jobs/:id") do
          workshop.jobs.delete(params[:id])
          status 204
        end

        app.post("/api/jobs/:id/operations") do
          call = Params.read(Call, request_json)
          sentence =
            workshop.operate(params[:id], *call.values_at(:base_revision, :name, :parameters), page: asking_page)
          render_job(params[:id], sentence)
        end

        app.post("/api/jobs/:id/layers/:layer/copies") do
          asked = Params.read(Elsewhere, request_json)
          sentence = workshop.copy_layer(params[:id], asked[:revision], params[:layer], asked[:to], page: asking_page)
          answer(Json::DoneJson::SHAPE, Json::DoneJson.call(sentence))
        end

        app.post("/api/jobs/:id/undo") { render_step(-1, "Undone") }
        app.post("/api/jobs/:id/redo") { render_step(1, "Done again") }
      end
    end
  end
end
