# frozen_string_literal: true

require "json"
require "rack"
require "rack/protection"
require_relative "built_files"
require_relative "events"
require_relative "own_pages_only"

module SheetTraceServer
  # What the server's own process does: it serves built files, the page and the streams of events, and passes all other
  # requests on. It opens no job and computes nothing, so that it always answers.
  class Front
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
    HOSTS = %w[127.0.0.1 localhost].freeze
    EVENTS = "/api/events"
    private_constant :OWN_FILES_ONLY, :HOSTS, :EVENTS

    # @param api [#call] Rack application that answers what begins with /api
    # @param events [Events]
    # @return [#call] Rack application
    def self.app(api:, events:)
      front = new(api, events)
      Rack::Builder.app do
        use Rack::Protection::HostAuthorization, permitted_hosts: HOSTS, allow_if: nil, logging: false
        use Rack::Protection::HttpOrigin
        use Rack::Protection::ContentSecurityPolicy, **OWN_FILES_ONLY
        use Rack::Protection::ReferrerPolicy, referrer_policy: "no-referrer"
        use OwnPagesOnly
        use BuiltFiles
        run front
      end
    end

    def initialize(api, events)
      @api = api
      @events = events
    end

    def call(env)
      path = env["PATH_INFO"]
      return page unless path.start_with?("/api/")
      return bad_address unless readable?(path) && readable?(env["QUERY_STRING"].to_s)

      return @api.call(env) unless path == EVENTS && env["REQUEST_METHOD"] == "GET"

      [200, { "content-type" => "text/event-stream", "cache-control" => "no-store" }, @events.body]
    end

    private

    # Whether it is text once it is unescaped, as nothing further on has to reckon with anything else.
    def readable?(address)
      text = Rack::Utils.unescape(address, Encoding::UTF_8)
      text.valid_encoding? && !text.include?("\0")
    end

    def bad_address
      error = { code: "bad_request", message: "the address is no text in UTF-8", where: {} }
      [400, { "content-type" => "application/json" }, [JSON.generate(error: error)]]
    end

    def page
      file = File.join(BuiltFiles::DIST, "index.html")
      unless File.exist?(file)
        return 503, { "content-type" => "text/plain" }, ["The front end is not built; run bin/demo."]
      end

      [200, { "content-type" => "text/html;charset=utf-8", "cache-control" => "no-cache" }, [File.read(file)]]
    end
  end
end
