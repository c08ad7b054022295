# frozen_string_literal: true

require "rack/files"
require "rack/mime"
require "rack/utils"

module SheetTraceServer
  # The built front end's files, as the browser takes them: the build puts compressed ones beside them.
  class BuiltFiles
    DIST = File.expand_path("../web/dist", __dir__)
    ENDINGS = { "br" => ".br", "gzip" => ".gz" }.freeze
    FOREVER = "public, max-age=31536000, immutable"
    private_constant :ENDINGS, :FOREVER

    def initialize(app, root: DIST)
      @app = app
      @root = root
      @files = Rack::Files.new(root)
    end

    def call(env)
      path = env["PATH_INFO"]
      return @app.call(env) unless path.start_with?("/assets/") && %w[GET HEAD].include?(env["REQUEST_METHOD"])

      coding = env["HTTP_RANGE"] ? nil : coding(path, env["HTTP_ACCEPT_ENCODING"])
      status, headers, body = @files.call(env.merge("PATH_INFO" => "#{path}#{ENDINGS[coding]}"))
      return status, headers, body if status >= 400

      headers.merge!("vary" => "accept-encoding", "cache-control" => FOREVER)
      headers["content-type"] = Rack::Mime.mime_type(File.extname(path)) if headers["content-type"]
      headers["content-encoding"] = coding if coding && status == 200
      [status, headers, body]
    end

    private

    def coding(path, accepted)
      taken = Rack::Utils.q_values(accepted).select { |_name, share| share.positive? }.map(&:first)
      ENDINGS.keys.find { |name| taken.include?(name) && file?("#{path}#{ENDINGS[name]}") }
    end

    def file?(path)
      File.file?(File.join(@root, Rack::Utils.clean_path_info(path)))
    end
  end
end
