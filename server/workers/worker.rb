# frozen_string_literal: true

require_relative "../../config/memory"
require_relative "../cancelled"
require_relative "messages"
require_relative "others"

module SheetTraceServer
  module Workers
    # A process that answers one request after the other with the application, and ends with its socket. What it is
    # asked to cancel ends at once.
    class Worker
      # What a piece of work may hold: ten layers on the largest sheet take 1.8 GB. More ends it with its own error.
      MEMORY_MB = 3072
      # A worker that is asked nothing for so long gives back what it has no use for. One that holds TIDY_MB more than
      # when it last did so drops after an answer what that has left, and gives it back sooner; one that holds MUCH_MB
      # more, at once, though the next request waits for that. One that holds GROWN_MB all the same is replaced.
      IDLE_S = 20
      SOON_S = 2
      TIDY_MB = 60
      MUCH_MB = 120
      GROWN_MB = 600
      OUT_OF_MEMORY = 507
      BLOCK_BYTES = 262_144
      # How often a page hears how far its work is.
      PROGRESS_S = 0.2
      private_constant :MEMORY_MB,
                       :GROWN_MB,
                       :MUCH_MB,
                       :TIDY_MB,
                       :SOON_S,
                       :IDLE_S,
                       :OUT_OF_MEMORY,
                       :BLOCK_BYTES,
                       :PROGRESS_S

      # @param socket [UNIXSocket] to the server
      # @param path [String] of the store
      def self.start(socket, path)
        limit = (memory_mb("VmData") + MEMORY_MB) * 1_048_576
        Process.setrlimit(:DATA, limit, limit)
        File.write("/proc/self/oom_score_adj", "800") # rather than the server
        Vips.cache_set_max(0) # what is asked for again is kept by the application
        messages = Messages.new(socket)
        database = Store::Database.connect(path)
        others = Others.new(messages)
        app =
          App.open(database, others: others) do |job, revision|
            messages.write("tell", "revision", { job: job, revision: revision })
          end
        new(messages, app, others).run
      end

      # @return [Integer] MB of this process, by a name of /proc/self/status
      def self.memory_mb(name) = File.read("/proc/self/status")[/^#{name}:\s+(\d+)/, 1].to_i / 1024

      def initialize(messages, app, others)
        @messages = messages
        @app = app
        @others = others
        @requests = Queue.new
        @main = Thread.current
        @gate = Mutex.new
        @kept_mb = self.class.memory_mb("VmRSS")
      end

      def run
        Thread.new { listen }
        Cancelled.held_off do
          loop { (request = @requests.pop).is_a?(Array) ? serve(*request) : tidy(beyond_mb: request) }
        end
      end

      private

      def listen
        loop do
          word, number, *rest = next_message
          case word
          when "cancel"
            @gate.synchronize { @main.raise(Cancelled) if @number == number }
          when "helped"
            @others.helped(number, *rest)
          else
            @requests << [number, *rest]
          end
        end
      rescue Messages::Ended
        exit!(0)
      end

      # The next message; while it is waited for, word of the silence: from how many MB more on it is used to tidy up.
      def next_message
        { SOON_S => TIDY_MB, (IDLE_S - SOON_S) => 0 }.each do |seconds, beyond_mb|
          message = @messages.read(within: seconds)
          return message if message

          @requests << beyond_mb
        end
        @messages.read
      end

      def serve(number, env, body)
        @gate.synchronize { @number = number }
        status = Cancelled.let_in { answer(env, body) }
        settle
        @messages.write("end", status == OUT_OF_MEMORY || @kept_mb > GROWN_MB)
        GC.start(full_mark: false) if grown?(TIDY_MB)
        tidy(beyond_mb: MUCH_MB)
      rescue Cancelled
        settle
        @messages.write("end", false)
      end

      def answer(env, body)
        status, headers, parts =
          SheetTrace::Progress.heard_by(progress_of(env)) { @app.call(env.merge(surroundings(body))) }
        Cancelled.held_off { @messages.write("head", status, headers) }
        parts.each { |part| in_blocks(part) { |block| Cancelled.held_off { @messages.write("body", block) } } }
        status
      ensure
        parts.close if parts.respond_to?(:close)
      end

      # The server passes on what comes; it need not hold a large answer whole.
      def in_blocks(part)
        (0...part.bytesize).step(BLOCK_BYTES) { |from| yield part.byteslice(from, BLOCK_BYTES).b }
      end

      # Tells the pages how far the work is that a request has named, now and then.
      def progress_of(env)
        work = env["HTTP_X_WORK"].to_s[/\A[\w-]{1,40}\z/]
        return unless work

        due = now + PROGRESS_S
        lambda do |share|
          next if now < due

          due = now + PROGRESS_S
          Cancelled.held_off { @messages.write("tell", "progress", { work: work, share: share.round(3) }) }
        end
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      # @param body [String, Array(Integer, Integer)] what was sent, or the process and the number of its open file
      def surroundings(body)
        input = body.is_a?(String) ? StringIO.new(body.b) : File.open("/proc/#{body[0]}/fd/#{body[1]}", "r+b")
        { "rack.input" => input, "rack.errors" => $stderr, "rack.url_scheme" => "http" }
      end

      # From here on no cancelling comes; one that came too late is let go, so that it does not meet the next request.
      def settle
        @gate.synchronize { @number = nil }
        Cancelled.let_in { Thread.pass }
      rescue Cancelled
        nil
      end

      # Gives memory back. Arrays are not counted by Ruby's collector, so it has to be asked. The next work of the same
      # kind would take the same pages again, which costs as much as a quarter of it: hence not after each.
      #
      # @param beyond_mb [Integer] how much more it must hold than when it last did so
      def tidy(beyond_mb:)
        return unless grown?(beyond_mb)

        GC.start
        Memory.give_back
        @kept_mb = self.class.memory_mb("VmRSS")
      end

      # Whether it holds so much more than when it last gave something back, and nobody waits.
      def grown?(by_mb) = @requests.empty? && self.class.memory_mb("VmRSS") > @kept_mb + by_mb
    end
  end
end
