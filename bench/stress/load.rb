# frozen_string_literal: true

require_relative "../../config/environment"
require "json"
require "net/http"
require "tmpdir"
require "vips"
require_relative "../../test/running_server"
require_relative "../surfaces"

# What the stress programs share: a server of their own on the loopback, askers that write down how long each answer
# took, and its memory. All of it is bounded in time, and ends with the program.
module Stress
  # How long answers took, and how many failed.
  class Times
    def initialize
      @ms = []
      @failures = Hash.new(0)
      @lock = Mutex.new
    end

    # @yieldreturn [Net::HTTPResponse]
    def note
      started = Stress.now
      status =
        begin
          yield.code.to_i
        rescue SystemCallError, IOError, Timeout::Error => e
          e.class.name
        end
      @lock.synchronize do
        @ms << ((Stress.now - started) * 1000)
        @failures[status] += 1 unless status.is_a?(Integer) && status < 500
      end
      status
    end

    def count = @ms.size
    def failures = @failures.dup
    def worst_ms = @ms.max || 0.0
    def median_ms = share(0.5)

    # @param part [Float] 0 to 1
    def share(part) = @ms.sort[((@ms.size - 1) * part).round] || 0.0

    def to_s
      format(
        "%4d answers, median %6.0f ms, 95 %% %6.0f, worst %6.0f%s",
        count,
        median_ms,
        share(0.95),
        worst_ms,
        @failures.empty? ? "" : "  FAILED #{@failures.to_h}"
      )
    end
  end

  module_function

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # Yields a server on an empty store, which ends with the block.
  def with_server
    Dir.mktmpdir do |folder|
      server = RunningServer.new(File.join(folder, "jobs.sqlite"))
      yield server
    ensure
      server&.kill
    end
  end

  # Asks again and again until a time is over; one connection an asker.
  #
  # @yieldparam http [Net::HTTP]; count [Integer]
  def ask_for(seconds, server, pause: 0.02)
    till = now + seconds
    Net::HTTP.start("127.0.0.1", server.port, read_timeout: 120) do |http|
      count = 0
      while now < till
        yield http, count
        count += 1
        sleep pause
      end
    end
  end

  def operate(http, job, name, parameters)
    body = JSON.generate(base_revision: job["revision"], name: name, parameters: parameters)
    http.post("/api/jobs/#{job["id"]}/operations", body, "content-type" => "application/json")
  end

  # @return [Integer] MB that a server and what it started hold, shared pages counted once
  def memory_mb(server)
    [server.pid, *server.family].sum { |pid| pss_kb(pid) } / 1024
  end

  # A process that has ended meanwhile holds nothing.
  def pss_kb(pid)
    File.read("/proc/#{pid}/smaps_rollup")[/^Pss:\s+(\d+)/, 1].to_i
  rescue SystemCallError
    0
  end

  # @return [String] a PNG of noise
  def picture(side, seed: 1)
    noise = Array.new(3) { |band| Vips::Image.gaussnoise(side, side, mean: 128, sigma: 40, seed: (seed * 3) + band) }
    noise.first.bandjoin(noise.drop(1)).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer(compression: 1)
  end

  # A model of 2 n n triangles that has a map.
  def wavy(side) = { "wavy.obj" => Bench::Surfaces.wavy_obj(side) }
end
