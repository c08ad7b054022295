# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Maps to be compared: the present one and those set aside.
    module KeptMaps
      def self.registered(app)
        app.get("/api/jobs/:id/map") do
          job = shown_job
          render_json(Json::MapJson.call("Now", job.layout, job.unit_mm))
        end

        app.get("/api/jobs/:id/layout.json") do
          content_type "application/json"
          attachment "#{File.basename(shown_job.source_name, ".*")}-layout.json"
          SheetTrace::Formats::LayoutFile.write(shown_job.layout)
        end

        app.get("/api/jobs/:id/kept_maps/:index") do
          job = shown_job
          kept = job.kept_maps.fetch(Params.integer(params[:index], :index)) { raise Store::Jobs::NotFound, "there is no kept map #{params[:index]}" }
          changes = SheetTrace::Layout::Changes.call(kept.layout, job.layout)
          render_json(Json::MapJson.call(kept.name, kept.layout, job.unit_mm).merge(changes: Json::ChangesJson.call(changes, job.island_names)))
        end
      end
    end
  end
end
