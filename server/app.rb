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
require_relative "answers"
# what the others name
%w[shape shapes lines_json islands_json fit_setup_json artwork_json].each { |name| require_relative "json/#{name}" }
Dir[File.join(__dir__, "json", "*.rb")].each { |file| require file }
Dir[File.join(__dir__, "routes", "*.rb")].each { |file| require file }

module SheetTraceServer
  # Mounts the routes; the one place that maps errors to statuses.
  class App < Sinatra::Base
    STATUSES = {
      SheetTrace::LimitError => 413,
      SheetTrace::Error => 422,
      Store::Jobs::NotFound => 404,
      Store::Jobs::Conflict => 409
    }.freeze
    # Bootstrap's form controls carry their marks as data: images.
    OWN_FILES_ONLY = {
      default_src: "'none'",
      script_src: "'self'",
      style_src: "'self'",
      font_src: "'self'",
      connect_src: "'self'",
      img_src: "'self' data:",
      form_action: "'none'",
      frame_ancestors: "'none'",
      base_uri: "'none'"
    }.freeze
    private_constant :STATUSES, :OWN_FILES_ONLY

    helpers Answers

    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :static, false
    set :host_authorization, permitted_hosts: %w[127.0.0.1 localhost], allow_if: nil
    set :events, SheetTraceServer::Events.new
    set :check_answers, false

    use Rack::Protection::HttpOrigin
    use Rack::Protection::ContentSecurityPolicy, **OWN_FILES_ONLY
    use Rack::Static,
        urls: ["/assets"],
        root: Answers::DIST,
        header_rules: [[:all, { "cache-control" => "public, max-age=31536000, immutable" }]]

    # @param database [Sequel::Database]
    def self.open(database)
      set :workshop, Workshop.new(Store::Jobs.new(database), events)
      self
    end

    register Routes::Jobs
    register Routes::Pictures
    register Routes::Views
    register Routes::Underlays
    register Routes::Files
    register Routes::Picks
    register Routes::Watching
    register Routes::KeptMaps
    register Routes::Events

    get("/api/*") { raise Store::Jobs::NotFound, "there is nothing at #{request.path}" }
    get("/*") { page }

    error do
      failure = env["sinatra.error"]
      _class, code = STATUSES.find { |type, _status| failure.is_a?(type) }
      unless code
        env["rack.errors"].puts(failure.full_message(highlight: false))
        halt_json 500,
                  code: "internal",
                  message: "something went wrong on our side; nothing of yours was changed",
                  where: {
                  }
      end
      halt_json code,
                code: code_of(failure),
                message: failure.message,
                where: failure.respond_to?(:where) ? failure.where : {}
    end
  end
end
