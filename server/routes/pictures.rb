# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Pictures brought into a job, for layers.
    module Pictures
      def self.registered(app)
        app.post("/api/jobs/:id/pictures") do
          workshop.jobs.find(params[:id])
          bytes = uploaded_bytes
          seen = SheetTrace::Artwork::Picture.inspect_file(bytes, name: uploaded_name)
          digest = workshop.jobs.keep_picture(params[:id], bytes, uploaded_name, seen)
          status 201
          render_json(digest: digest, name: uploaded_name, **seen)
        end

        app.get("/api/jobs/:id/pictures/:digest") do
          picture = workshop.jobs.picture(params[:id], params[:digest])
          forever
          content_type picture[:media_type]
          workshop.pictures.call(picture[:digest])
        end
      end
    end
  end
end
