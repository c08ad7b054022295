# frozen_string_literal: true

require "json"
require "listen"
require "rack"
require "rack/mock_request"
require "set"
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
      # So many may wait; what comes beside them was copied by the heap, and is left for the painter to save again.
      MOST = 200
      private_constant :WAIT_S, :TRIES, :LATENCY_S, :MOST

      # @param root [String] where the folders are
      # @param api [#call] Rack application
      def initialize(root, api)
        @root = root
        @api = api
        @paths = Queue.new
        @waiting = Set.new
        @lock = Mutex.new
      end

      # Where the folders can't be watched, the server goes on without.
      #
      # @return [Watcher]
      def start
        FileUtils.mkdir_p(@root)
        @root = File.realpath(@root)
        @listener = Listen.to(@root, latency: LATENCY_S, wait_for_delay: LATENCY_S) { |*seen| saw(*seen) }
        @listener.start
        saw(saved_meanwhile, [], [])
        Thread.new { loop { take(@paths.pop) } }
        self
      rescue StandardError => e
        warn "sheet-trace: exchange folders are not watched: #{e.message}"
        self
      end

      private

      # Files that may have been saved while nobody looked: the last ones. What was taken before is known by its bytes.
      def saved_meanwhile
        saved = Dir.glob(File.join(@root, "*", "{*,*/*}")).to_h { |path| [path, saved_at(path)] }.compact
        saved.max_by(MOST) { |_path, time| time }.map(&:first)
      end

      # @return [Time, nil] nil where it is no picture, or is gone by now
      def saved_at(path)
        File.mtime(path) if Store::Exchanges.picture?(File.basename(path)) && File.file?(path)
      rescue SystemCallError
        nil
      end

      # A file that is saved again before it was looked at is looked at once.
      def saw(modified, added, _removed)
        (modified + added).uniq.each do |path|
          folder, own = path.delete_prefix("#{@root}/").split("/", 2)
          next unless own && Store::Exchanges.picture?(own)

          @paths << [folder, own] if @lock.synchronize { @waiting.add?([folder, own]) }
        end
      end

      def take((folder, path))
        many = @lock.synchronize { @waiting.delete([folder, path]) && @waiting.size > MOST }
        return done?(folder, path, too_many: true) if many

        tries = 0
        until done?(folder, path, last: (tries += 1) == TRIES)
          sleep WAIT_S
        end
      rescue StandardError => e
        warn e.full_message(highlight: false)
      end

      # @return [Boolean] whether it was taken, or never will be
      def done?(folder, path, last: true, too_many: false)
        body = JSON.generate(folder: folder, path: path, last_try: last, too_many: too_many)
        env = Rack::MockRequest.env_for(TAKE, :method => "POST", :input => body, "CONTENT_TYPE" => "application/json")
        status, _headers, parts = @api.call(env)
        parts.each(&:bytesize)
        parts.close if parts.respond_to?(:close)
        last || ![425, 503].include?(status)
      end
    end
  end
end
