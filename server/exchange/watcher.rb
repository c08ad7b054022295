# frozen_string_literal: true

require "json"
require "listen"
require "rack"
require "rack/mock_request"
require_relative "../exchange"
require_relative "../store/exchanges"

module SheetTraceServer
  module Exchange
    # Sees what is saved in exchange folders, and has it taken by the workers: file by file, in the order in which they
    # were saved. What is half written is tried again.
    class Watcher
      # Between tries, and how many there are: a large file is written within this time.
      WAIT_S = 0.25
      TRIES = 40
      # How often a folder is looked through where the system tells of no changes.
      LATENCY_S = 0.1
      private_constant :WAIT_S, :TRIES, :LATENCY_S

      # @param root [String] where the folders are
      # @param api [#call] Rack application
      def initialize(root, api)
        @root = root
        @api = api
        @paths = Queue.new
      end

      # @return [Watcher]
      def start
        FileUtils.mkdir_p(@root)
        @root = File.realpath(@root)
        @listener = Listen.to(@root, latency: LATENCY_S, wait_for_delay: LATENCY_S) { |*seen| saw(*seen) }
        @listener.start
        Thread.new { loop { take(@paths.pop) } }
        self
      end

      private

      def saw(modified, added, _removed)
        (modified + added).uniq.each do |path|
          folder, own = path.delete_prefix("#{@root}/").split("/", 2)
          @paths << [folder, own] if own && Store::Exchanges.picture?(own)
        end
      end

      def take((folder, path))
        tries = 0
        until done?(folder, path, last: (tries += 1) == TRIES)
          sleep WAIT_S
        end
      rescue StandardError => e
        warn e.full_message(highlight: false)
      end

      # @return [Boolean] whether it was taken, or never will be
      def done?(folder, path, last:)
        body = JSON.generate(folder: folder, path: path, last_try: last)
        env = Rack::MockRequest.env_for(TAKE, :method => "POST", :input => body, "CONTENT_TYPE" => "application/json")
        status, _headers, parts = @api.call(env)
        parts.each(&:bytesize)
        parts.close if parts.respond_to?(:close)
        last || ![425, 503].include?(status)
      end
    end
  end
end
