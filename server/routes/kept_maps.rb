# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Maps to be compared: the present one and those set aside.
    module KeptMaps
      def self.registered(app)
        app.get("/api/jobs/:id/map") do
          job = shown_job
          answer(Json::MapJson::SHAPE, Json::MapJson.call("Now", job.layout, job.unit_mm))
        end

        app.get("/api/jobs/:id/layout.json") do
          content_type "application/json"
          attachment "#{File.basename(shown_job.source_name, ".*")}-layout.json"
          SheetTrace::Formats::LayoutFile.write(shown_job.layout)
        end

        app.get("/api/jobs/:id/kept_maps/:index") do
          job = shown_job
          index = Params.integer(params[:index], :index)
          kept = index.between?(0, job.kept_maps.size - 1) && job.kept_maps[index]
          raise Store::Jobs::NotFound, "there is no kept map #{index}" unless kept

          answer(Json::MapJson::KEPT, Json::MapJson.kept(kept, job))
        end
      end
    end
  end
end
