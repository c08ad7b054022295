# frozen_string_literal: true

require "fileutils"
require "json"
require "net/http"
require "rbconfig"
require "stringio"
require "socket"

# The real server in a process of its own, on a free port.
class RunningServer
  START = File.expand_path("../server/start.rb", __dir__)
  private_constant :START

  # @return [Integer]
  attr_reader :port
  # @return [String] path of the SQLite file
  attr_reader :database
  # @return [Integer] of the process
  attr_reader :pid

  # One on a store of its own, gone when the tests have run.
  #
  # @return [RunningServer]
  def self.for_tests
    folder = Dir.mktmpdir
    new(File.join(folder, "jobs.sqlite")).tap do |server|
      Minitest.after_run do
        server.kill
        FileUtils.remove_entry(folder)
      end
    end
  end

  # @param database [String] path of the SQLite file
  # @param settings [Hash{String => String}] of its environment
  def initialize(database, settings = {})
    @database = database
    @settings = settings
    @port = TCPServer.open("127.0.0.1", 0) { |socket| socket.addr[1] }
    start
  end

  # @return [Hash{String => String}] what the store consists of now: name => bytes
  def files = Dir["#{@database}*"].to_h { |path| [File.basename(path), File.binread(path)] }

  def url(path = "/") = "http://127.0.0.1:#{port}#{path}"

  def start
    @pid =
      Process.spawn(
        { "SHEET_TRACE_DATABASE" => @database, "SHEET_TRACE_PORT" => port.to_s, **@settings },
        RbConfig.ruby,
        START,
        %i[out err] => File::NULL
      )
    400.times do
      TCPSocket.new("127.0.0.1", port).close
      return get("/api/jobs") # once its first worker is there
    rescue Errno::ECONNREFUSED
      sleep 0.05
    end
    raise "the server did not start"
  end

  # Stops it as a power cut would.
  def kill
    Process.kill(:KILL, @pid)
    Process.wait(@pid)
  end

  def post(path, body, **headers)
    response =
      Net::HTTP.post(
        URI(url(path)),
        body,
        { "content-type" => "application/json" }.merge(headers.transform_keys(&:to_s))
      )
    JSON.parse(response.body)
  end

  # Starts a job of a model's files.
  #
  # @param files [Hash{String => String}] name => bytes
  # @return [Hash] the job
  def upload(files)
    request = Net::HTTP::Post.new("/api/jobs")
    request.set_form(
      files.map { |name, bytes| ["files[]", StringIO.new(bytes), { filename: name }] },
      "multipart/form-data"
    )
    JSON.parse(Net::HTTP.start("127.0.0.1", port) { |http| http.request(request) }.body)
  end

  def delete(path) = Net::HTTP.new("127.0.0.1", port).delete(path)

  def get(path) = JSON.parse(Net::HTTP.get(URI(url(path))))

  # @return [Array<Integer>] processes that the server has started, and those that they have
  def family(pid = @pid)
    children = Dir["/proc/#{pid}/task/*/children"].flat_map { |path| File.read(path).split.map(&:to_i) }
    children + children.flat_map { |child| family(child) }
  rescue SystemCallError
    []
  end
end
