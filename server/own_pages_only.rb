# frozen_string_literal: true

module SheetTraceServer
  # Answers of the API are for the application's own pages: a page of another site is refused by what the browser says
  # of where the request comes from (W3C, "Fetch Metadata Request Headers"), and may not take in what it is sent
  # (WHATWG Fetch, "Cross-Origin-Resource-Policy header").
  class OwnPagesOnly
    # "none": typed by the painter, or a bookmark.
    OWN = ["same-origin", "none", nil].freeze
    private_constant :OWN

    def initialize(app)
      @app = app
    end

    def call(env)
      unless OWN.include?(env["HTTP_SEC_FETCH_SITE"]) || !env["PATH_INFO"].start_with?("/api/")
        return 403, { "content-type" => "text/plain" }, ["Forbidden"]
      end

      status, headers, body = @app.call(env)
      headers["cross-origin-resource-policy"] = "same-origin"
      [status, headers, body]
    end
  end
end
