# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../server/app"
require_relative "../../server/front"
require_relative "../../demo/build"
require "rack/test"

# A server on a store of its own, asked without a network.
module ServerTestCase
  include Rack::Test::Methods

  def setup
    super
    @folder = Dir.mktmpdir
    restart
  end

  def teardown
    @database.disconnect
    FileUtils.remove_entry(@folder)
    super
  end

  # Opens the store anew, with nothing kept in memory.
  def restart
    @database&.disconnect
    @database = SheetTraceServer::Store::Database.open(File.join(@folder, "jobs.sqlite"))
    @api = SheetTraceServer::App.open(@database)
    @api.set :check_answers, true
    @app = SheetTraceServer::Front.app(api: @api, events: SheetTraceServer::Events.new)
  end

  def app = @app

  def upload(path, bytes, name)
    return upload_files(name => bytes) if path == "/api/jobs"

    post path,
         bytes,
         "CONTENT_TYPE" => "application/octet-stream",
         "HTTP_X_FILE_NAME" => URI.encode_www_form_component(name),
         "HTTP_HOST" => "127.0.0.1"
    json
  end

  # Sends files as a form does.
  def upload_files(files)
    Dir.mktmpdir do |folder|
      parts =
        files.each_with_index.map do |(name, bytes), i|
          path = File.join(folder, i.to_s).tap { |target| File.binwrite(target, bytes) }
          Rack::Test::UploadedFile.new(path, "application/octet-stream", true, original_filename: name)
        end
      post "/api/jobs", { files: parts }, "HTTP_HOST" => "127.0.0.1"
    end
    json
  end

  def start_job(obj = Demo::TeaCaddy.obj, name: "tea-caddy.obj") = upload("/api/jobs", obj, name)

  def ask(method, path, body = nil, **headers)
    public_send(
      method,
      path,
      body && JSON.generate(body),
      { "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1", **headers }
    )
    json
  end

  def change(job, name, **parameters)
    ask(
      :post,
      "/api/jobs/#{job[:id]}/operations",
      { base_revision: job[:revision], name: name, parameters: parameters }
    )
  end

  def json = last_response.body.start_with?("{") ? JSON.parse(last_response.body, symbolize_names: true) : nil

  def assert_failure(status, code, message)
    assert_equal [status, code], [last_response.status, json.dig(:error, :code)], last_response.body
    assert_match message, json.dig(:error, :message)
  end
end
