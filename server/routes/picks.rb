# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # What is found without changing anything, by asking: picks, pieces, symmetry, the band that fits, how near
    # islands would come, what an operation would do.
    module Picks
      # A band to be fitted.
      module Band
        extend SheetTrace::References

        faces :faces
        direction :axis, "of the band; fitted if nil", optional: true
        numbers :origin, 3, SheetTrace::Parameters::Numbers::WIDE, "a place on it", optional: true
      end

      # Islands that a hand holds.
      module Held
        extend SheetTrace::References

        islands
        numbers :change, 6, SheetTrace::Parameters::Numbers::WIDE, "a matrix of px, in rows"
      end

      def self.registered(app)
        app.get("/api/jobs/:id/pieces") { answer(Json::PiecesJson::SHAPE, Json::PiecesJson.call(shown_job)) }

        app.get("/api/jobs/:id/symmetry") { answer(Json::SymmetryJson::SHAPE, Json::SymmetryJson.call(shown_job)) }

        app.post("/api/jobs/:id/picks/:way") do
          from = request_json
          kind = from.delete(:kind)
          answer(
            Json::PicksJson::SHAPE,
            Json::PicksJson.call(kind, SheetTrace::Pick.from_plain(shown_job, **from, way: params[:way], kind: kind))
          )
        end

        app.post("/api/jobs/:id/bands") do
          job = shown_job
          band = Params.read(Band, request_json, job)
          answer(
            Json::BandJson::SHAPE,
            Json::BandJson.call(
              SheetTrace::Flatten::FitBand.call(job.mesh, band[:faces], axis: band[:axis], origin: band[:origin])
            )
          )
        end

        app.post("/api/jobs/:id/clearances") do
          job = shown_job
          held = Params.read(Held, request_json, job)
          answer(
            Json::ClearanceJson::SHAPE,
            Json::ClearanceJson.call(job, held[:islands], SheetTrace::Geometry::Affine.new(*held[:change]))
          )
        end

        app.post("/api/jobs/:id/previews") do
          call = Params.read(Jobs::Call, request_json)
          operation = SheetTrace::Operations.from_plain(call[:name], call[:parameters])
          preview =
            SheetTrace::Operations::Preview.call(operation, shown_job, pictures: workshop.picture_files(params[:id]))
          answer(Json::PreviewJson::SHAPE, Json::PreviewJson.call(preview))
        end
      end
    end
  end
end
