# frozen_string_literal: true

require_relative "../exchange/take_file"

module SheetTraceServer
  module Routes
    # A job's exchange folder: opened, looked at, closed; and what the watcher of the folders has seen.
    module Exchange
      UNFINISHED = 425
      private_constant :UNFINISHED

      # A file that was saved.
      module Saved
        extend SheetTrace::Parameters

        text :folder, longest: 300
        text :path, longest: 1000
        flag :last_try, default: false
        flag :too_many, default: false
      end

      def self.registered(app)
        app.get("/api/jobs/:id/exchange") { render_exchange }

        app.post("/api/jobs/:id/exchange") do
          exchanges.open(params[:id], workshop.jobs.find(params[:id])[:name])
          render_exchange
        end

        app.delete("/api/jobs/:id/exchange") do
          workshop.jobs.find(params[:id])
          exchanges.close(params[:id])
          render_exchange
        end

        app.post(SheetTraceServer::Exchange::TAKE) do
          saved = Params.read(Saved, request_json)
          within = Store::Exchanges.picture?(saved[:path]) && !saved[:path].split("/").include?("..")
          raise Store::Jobs::NotFound, "#{saved[:path]} is no picture of an exchange folder" unless within

          SheetTraceServer::Exchange::TakeFile.new(workshop, exchanges).call(
            saved[:folder],
            saved[:path],
            last_try: saved[:last_try],
            too_many: saved[:too_many]
          )
          status 204
        rescue SheetTraceServer::Exchange::TakeFile::Unfinished
          status UNFINISHED
        end
        app.helpers Helpers
      end

      # Shared by the routes above, and by those that give files away.
      module Helpers
        def render_exchange
          workshop.jobs.find(params[:id])
          answer(
            Json::ExchangeJson::SHAPE,
            Json::ExchangeJson.call(exchanges.folder(params[:id]), exchanges.files(params[:id]))
          )
        end

        def exchanges = settings.exchanges

        # Writes a file into the job's folder, if it has one; what we write ourselves is not taken for another's.
        #
        # @return [String] path
        # @raise [Store::Jobs::NotFound]
        def into_folder(name, bytes)
          folder = exchanges.folder(params[:id]) or
            raise Store::Jobs::NotFound, "this job has no exchange folder; open it on Trace first"
          FileUtils.mkdir_p(folder)
          exchanges.note(
            params[:id],
            name,
            digest: SheetTrace::Job::Snapshot.digest(bytes),
            state: "given",
            message: "written here"
          )
          path = File.join(folder, name)
          File.binwrite("#{path}.part", bytes)
          File.rename("#{path}.part", path)
          path
        rescue SystemCallError => e
          raise SheetTrace::InputError,
                "#{folder} can't be written to: #{e.message[/\A[^@]+/].strip}; see to it and try again"
        end
      end
    end
  end
end
