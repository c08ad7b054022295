# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Questions about the surface; nothing is changed by asking: picks, pieces, symmetry, the band that fits, how
    # islands would stand, what an operation would do.
    module Picks
      def self.registered(app)
        app.get("/api/jobs/:id/pieces") { render_json(Json::PiecesJson.call(shown_job)) }

        app.get("/api/jobs/:id/symmetry") { render_json(Json::SymmetryJson.call(shown_job)) }

        app.post("/api/jobs/:id/picks/:way") do
          body = Params.radians(Params.json(request.body.read))
          kind = body.delete(:kind)
          render_json(kind: kind, indices: SheetTrace::Pick.call(shown_job, **body, way: params[:way], kind: kind))
        end

        app.post("/api/jobs/:id/bands") do
          body = Params.json(request.body.read)
          job = shown_job
          faces = SheetTrace::Pick.checked(job, "faces", body[:faces])
          raise SheetTrace::InputError, "no face is picked; pick the band first" if faces.empty?

          render_json(Json::BandJson.call(SheetTrace::Flatten::FitBand.call(job.mesh, faces, axis: body[:axis], origin: body[:origin])))
        end

        app.post("/api/jobs/:id/standing") do
          body = Params.json(request.body.read)
          job = shown_job
          problem = SheetTrace::Operations::Checks.islands(job, body[:islands]) and raise SheetTrace::InputError.new(problem, where: { islands: body[:islands] })
          render_json(Json::StandingJson.call(job, body[:islands], SheetTrace::Geometry::Affine.new(*Params.numbers(body[:change], :change, 6))))
        end

        app.post("/api/jobs/:id/previews") do
          body = Params.json(request.body.read)
          operation = SheetTrace::Operations.from_h(body[:name].to_s, Params.radians(body[:parameters].to_h))
          render_json(Json::PreviewJson.call(SheetTrace::Operations::Preview.call(operation, shown_job)))
        end
      end
    end
  end
end
