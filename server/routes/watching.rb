# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Work that is watched: one line of JSON for each step or attempt of an operation, as it is done. Nothing is kept;
    # who watches stops by going
    # away, and keeps what was seen by the operation, with what the step's facts say of it.
    module Watching
      def self.registered(app)
        app.helpers Helpers

        app.post("/api/jobs/:id/watches") do
          call = Params.read(Jobs::Call, request_json)
          job = shown_job
          operation =
            SheetTrace::Operations.prepare(
              SheetTrace::Operations.from_plain(call[:name], call[:parameters]),
              job,
              pictures: workshop.picture_files(params[:id])
            )
          unless operation.respond_to?(:watch)
            raise SheetTrace::InputError.new(
                    "#{call[:name]} is done at once; there is nothing to watch",
                    where: {
                      name: call[:name]
                    }
                  )
          end

          stream_lines do |out|
            operation.watch(job) { |after, facts| out.call(Json::PreviewJson.step(operation, after, facts)) }
          end
        end
      end

      # Shared by the routes above.
      module Helpers
        # @yieldparam out [Proc] takes what a line says; gives true, to go on
        def stream_lines
          content_type "application/x-ndjson"
          cache_control :no_store
          stream do |out|
            yield(
              lambda do |line|
                out << "#{JSON.generate(line)}\n"
                true
              end
            )
            out << "#{JSON.generate(done: true)}\n"
          rescue SheetTrace::Error => e
            out << "#{JSON.generate(error: { code: e.code, message: e.message, where: e.where })}\n"
          end
        end
      end
    end
  end
end
