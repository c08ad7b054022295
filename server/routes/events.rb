# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Server-sent events: the id of each new revision of a job.
    module Events
      def self.registered(app)
        app.get("/api/jobs/:id/events") do
          workshop.jobs.find(params[:id])
          content_type "text/event-stream"
          cache_control :no_store
          stream do |out|
            out << ": open\n\n"
            settings
              .events
              .each(params[:id]) do |revision|
                out << (revision ? "event: revision\ndata: #{revision}\n\n" : ": still here\n\n")
              end
          end
        end
      end
    end
  end
end
