# frozen_string_literal: true

require_relative "../config/environment"

require "rack/protection"
require "securerandom"
require "sinatra/base"
require "time"
require "uri"

require_relative "params"
require_relative "events"
require_relative "store/database"
require_relative "store/blobs"
require_relative "store/jobs"
require_relative "workshop"
Dir[File.join(__dir__, "json", "*.rb")].each { |file| require file }
Dir[File.join(__dir__, "routes", "*.rb")].each { |file| require file }

module SheetTraceServer
  # Mounts the routes; the one place that maps errors to statuses.
  class App < Sinatra::Base
    UPLOAD_BYTES = 200 * 1024 * 1024
    STATUSES = { SheetTrace::LimitError => 413, SheetTrace::Error => 422, Store::Jobs::NotFound => 404, Store::Jobs::Conflict => 409 }.freeze
    DIST = File.expand_path("../web/dist", __dir__)
    private_constant :STATUSES, :DIST

    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :static, false
    set :host_authorization, permitted_hosts: %w[127.0.0.1 localhost], allow_if: nil
    set :events, SheetTraceServer::Events.new

    use Rack::Protection::HttpOrigin
    use Rack::Protection::ContentSecurityPolicy, default_src: "'none'", script_src: "'self'", style_src: "'self'", font_src: "'self'",
                                                 img_src: "'self' data:", connect_src: "'self'", form_action: "'none'", frame_ancestors: "'none'", base_uri: "'none'"
    use Rack::Static, urls: ["/assets"], root: DIST, header_rules: [[:all, { "cache-control" => "public, max-age=31536000, immutable" }]]

    # @param database [Sequel::Database]
    def self.open(database)
      set :workshop, Workshop.new(Store::Jobs.new(database), events)
      self
    end

    register Routes::Jobs
    register Routes::Pictures
    register Routes::Views
    register Routes::Files
    register Routes::Events

    get("/api/*") { raise Store::Jobs::NotFound, "there is nothing at #{request.path}" }
    get("/*") { page }

    error do
      failure = env["sinatra.error"]
      _class, code = STATUSES.find { |type, _status| failure.is_a?(type) }
      unless code
        env["rack.errors"].puts(failure.full_message(highlight: false))
        halt_json 500, code: "internal", message: "something went wrong on our side; nothing of yours was changed", where: {}
      end
      halt_json code, code: code_of(failure), message: failure.message, where: failure.respond_to?(:where) ? failure.where : {}
    end

    helpers do
      def workshop = settings.workshop

      def render_json(value)
        content_type :json
        JSON.generate(value)
      end

      def halt_json(code, **error) = halt(code, { "content-type" => "application/json" }, JSON.generate(error: error))

      def code_of(failure) = failure.respond_to?(:code) ? failure.code : failure.class.name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase

      def render_job(id, done = nil)
        row = workshop.jobs.find(id)
        revision = workshop.jobs.revision(id)
        job = Json::JobJson.call(row: row, revision: revision, snapshot: workshop.snapshot(id, revision[:id]),
                                 pictures: workshop.jobs.pictures(id), history: workshop.jobs.history(id))
        render_json(done ? job.merge(done: done) : job)
      end

      def render_step(by, word)
        moved = workshop.step(params[:id], by)
        render_job(params[:id], moved ? "#{word}: #{moved[:description]}" : "There is nothing to #{by.negative? ? "undo" : "redo"}")
      end

      # A new layer's id comes from here: the core has no randomness of its own.
      def with_ids(name, parameters)
        return parameters unless %w[add_skin add_label].include?(name)

        picture = workshop.jobs.picture(params[:id], parameters[:picture])
        given = { id: SecureRandom.hex(4), name: File.basename(picture[:name], ".*"), **parameters }
        name == "add_label" ? { **given, picture_px: picture.values_at(:width_px, :height_px) } : given
      end

      def uploaded_name = File.basename(URI.decode_www_form_component(request.get_header("HTTP_X_FILE_NAME").to_s).tr("\\", "/")).then { |name| name.empty? ? "unnamed" : name[0, 200] }

      def uploaded_bytes
        got = request.content_length.to_i
        raise SheetTrace::LimitError.new("#{uploaded_name} is too large: #{got / 1_048_576} MB; at most 200 MB are taken", where: { limit: UPLOAD_BYTES, got: got }) if got > UPLOAD_BYTES

        request.body.read.b
      end

      def forever = cache_control(:private, :immutable, max_age: 31_536_000)

      def page
        file = File.join(DIST, "index.html")
        halt 503, "The front end is not built; run bin/demo." unless File.exist?(file)
        content_type :html
        cache_control :no_cache
        File.read(file)
      end
    end
  end
end
