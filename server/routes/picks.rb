# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Edges picked from clicks, and seams proposed; nothing is changed by asking.
    module Picks
      PICKS = {
        "loop" => ->(job, body) { SheetTrace::Mesh::PickEdges.edge_loop(job.mesh, body[:edge]) },
        "run" => ->(job, body) { SheetTrace::Mesh::PickEdges.shortest_run(job.mesh, body[:from], body[:to]) },
        "angle" => ->(job, body) { SheetTrace::Flatten::Seams.by_angle(job.mesh, Params.angle(body[:angle_deg])).where.to_a },
        "suggestion" => ->(job, _body) { (SheetTrace::Flatten::OpenUp.call(job.mesh, job.seams) & ~job.seams).where.to_a }
      }.freeze
      private_constant :PICKS

      def self.registered(app)
        app.get("/api/jobs/:id/pieces") { render_json(Json::PiecesJson.call(shown_job)) }

        app.post("/api/jobs/:id/picks/:how") do
          pick = PICKS[params[:how]] or raise Store::Jobs::NotFound, "there is no pick #{params[:how]}; there are #{PICKS.keys.join(", ")}"
          render_json(edges: pick.call(shown_job, Params.json(request.body.read)))
        end
      end
    end
  end
end
