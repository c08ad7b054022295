# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Work that is watched: one line of JSON for each step or attempt, as it is done. Nothing is kept; who watches stops by going away, and
    # keeps what was seen by the operation, with as many steps or the number of the attempt.
    module Watching
      ATTEMPTS = 12
      private_constant :ATTEMPTS

      def self.registered(app)
        app.helpers Helpers

        app.post("/api/jobs/:id/relaxations") do
          job, operation = watched("relax")
          stream_lines do |out|
            operation.watch(job) { |step, spacing, points_uv| out.call(Json::RelaxStepJson.call(job, operation, step, spacing, points_uv)) }
          end
        end

        app.post("/api/jobs/:id/packings") do
          job, operation = watched("pack")
          stream_lines do |out|
            ATTEMPTS.times do |attempt|
              result = SheetTrace::Operations.from_h("pack", { **operation.to_h, attempt: attempt }).pack(job)
              out.call(Json::PackingJson.call(job, attempt, result))
              break if operation.keep_scale || operation.in_order # another would be the same, or no better
            end
          end
        end
      end

      # Shared by the routes above.
      module Helpers
        # @return [Array(SheetTrace::Job, Struct)]
        def watched(name)
          body = Params.radians(Params.json(request.body.read))
          job = shown_job
          operation = SheetTrace::Operations.from_h(name, body)
          problems = operation.validate(job)
          raise SheetTrace::InvalidOperationError.new(problems, where: { operation: name }) if problems.any?

          [job, operation]
        end

        # @yieldparam out [Proc] takes what a line tells
        def stream_lines
          content_type "application/x-ndjson"
          cache_control :no_store
          stream do |out|
            yield(lambda do |told|
              out << "#{JSON.generate(told)}\n"
              true
            end)
            out << "#{JSON.generate(done: true)}\n"
          rescue SheetTrace::Error => e
            out << "#{JSON.generate(error: { code: e.code, message: e.message, where: e.where })}\n"
          end
        end
      end
    end
  end
end
