# frozen_string_literal: true

module SheetTraceServer
  module Routes
    # Relaxing that is watched: one line of JSON for each step, as it is done. Nothing is kept; who watches stops by going away, and keeps
    # what was seen by the operation relax with as many steps.
    module Relaxing
      def self.registered(app)
        app.post("/api/jobs/:id/relaxations") do
          body = Params.json(request.body.read)
          job = shown_job
          operation = SheetTrace::Operations.from_h("relax", body)
          problems = operation.validate(job)
          raise SheetTrace::InvalidOperationError.new(problems, where: { operation: "relax" }) if problems.any?

          content_type "application/x-ndjson"
          cache_control :no_store
          stream do |out|
            operation.watch(job) do |step, spacing, points_uv|
              out << "#{JSON.generate(Json::RelaxStepJson.call(job, operation, step, spacing, points_uv))}\n"
              true
            end
            out << "#{JSON.generate(done: true)}\n"
          rescue SheetTrace::Error => e
            out << "#{JSON.generate(error: { code: e.code, message: e.message, where: e.where })}\n"
          end
        end
      end
    end
  end
end
