# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Receivers, which are kept for all jobs: listed, kept, removed, and as a file out and in.
    module Receivers
      def self.registered(app)
        app.get("/api/receivers") { render_receivers }

        app.post("/api/receivers") do
          receivers.keep([SheetTrace::Job::Receiver.of_plain(request_json)])
          render_receivers
        end

        app.delete("/api/receivers/:name") do
          receivers.remove(params[:name])
          render_receivers
        end

        app.get("/api/receivers.json") do
          download("receivers.json", "application/json", SheetTrace::Job::Receiver.write(receivers.list))
        end

        app.post("/api/receivers.json") do
          receivers.keep(SheetTrace::Job::Receiver.read(uploaded_bytes.force_encoding("UTF-8"), name: uploaded_name))
          render_receivers
        end
        app.helpers Helpers
      end

      # Shared by the routes above.
      module Helpers
        def receivers = settings.receivers

        def render_receivers = answer(Json::ReceiversJson::SHAPE, Json::ReceiversJson.call(receivers.list))
      end
    end
  end
end
