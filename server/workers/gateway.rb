# frozen_string_literal: true

require "json"
require_relative "pool"

module SheetTraceServer
  module Workers
    # Has requests answered by workers. Ends the work of a page that has gone; a worker that dies is one clear error.
    class Gateway
      JOB = %r{\A/api/jobs/([^/]+)}
      UPLOAD = %r{\A/api/jobs(?:/[^/]+/(?:pictures|fonts|models))?\z}
      CONCERNS = { art: %w[.png .tiles], check: %w[/preflight /reach] }.freeze
      private_constant :JOB, :UPLOAD, :CONCERNS

      # @param events [Events] what workers tell goes to
      # @param upload_s [Numeric] how long files may take to be read; most take a second
      def initialize(pool, events, upload_s: 30)
        @pool = pool
        @events = events
        @upload_s = upload_s
      end

      def call(env)
        task = task(env["PATH_INFO"])
        answer = Answer.new(@pool, @pool.take(task), @events, env["puma.socket"])
        answer.ask(task, env, within: upload?(env) ? @upload_s : nil)
      rescue Pool::Busy
        failure(503, "busy", "the server is at work on too much at once; stop some of it, or wait")
      rescue Pool::NoWorker
        failure(503, "no_worker", "nothing could be started to do this; nothing of yours was changed. Try again")
      end

      # What is drawn, what is checked, and the rest go to a worker each: it has at hand what it needs, and a change
      # waits for neither of them.
      def task(path)
        concern, = CONCERNS.find { |_name, endings| path.end_with?(*endings) }
        [path[JOB, 1], concern]
      end

      def upload?(env) = env["REQUEST_METHOD"] == "POST" && env["PATH_INFO"].match?(UPLOAD)

      def failure(status, code, message) = Gateway.failure(status, code, message)

      def self.failure(status, code, message)
        body = JSON.generate(error: { code: code, message: message, where: {} })
        [status, { "content-type" => "application/json" }, [body]]
      end

      # One answer of a worker, passed on as it comes.
      class Answer
        # What a page that has gone would be told.
        LEFT = 499
        private_constant :LEFT

        def initialize(pool, worker, events, page)
          @pool = pool
          @worker = worker
          @events = events
          @page = page
          @help = []
        end

        # @param within [Numeric, nil] s that it may take until its head is there
        # @return [Array] status, headers, body: as Rack has them
        def ask(task, env, within: nil)
          @env = env.select { |_name, value| value.is_a?(String) }
          @worker.ask(task, @env, body(env["rack.input"]))
          _word, status, headers = message(within && (@worker.now + within))
          [status, headers, self]
        rescue Connection::Late
          close
          Gateway.failure(
            422,
            "too_slow",
            "reading this took longer than #{within} s and was stopped; bring less at once"
          )
        rescue Messages::Ended
          let_go(goes_on: false)
          Gateway.failure(
            500,
            "work_ended",
            "this work was ended, most likely as it took too much memory; nothing of yours was changed. " \
              "Ask for less at once, or try again"
          )
        rescue Connection::Left
          close
          [LEFT, {}, []]
        end

        def each
          while (word, bytes = message) && word == "body"
            yield bytes
          end
          let_go(goes_on: @worker.done(bytes))
        rescue Connection::Left
          nil # closing ends the work
        end

        # What was not read to its end is not wanted.
        def close = @worker && let_go(goes_on: @worker.cancel)

        private

        # The next message that is part of the answer.
        def message(till = nil)
          loop do
            word, *rest = @worker.read(@page, till: till)
            case word
            when "tell"
              @worker.knows(rest[1]["job"]) if rest[0] == "revision"
              @events.publish(*rest)
            when "help"
              @help << Help.new(@pool, @events, @worker, @env, *rest)
            else
              return word, *rest
            end
          end
        end

        def let_go(goes_on:)
          @help.each(&:close)
          worker = @worker
          @worker = nil
          @pool.give_back(worker, goes_on: goes_on)
        end

        # Large ones are in a file of no name, which the worker opens through this process; or it is said already.
        def body(input)
          return input if input.is_a?(Array)

          file = input.respond_to?(:fileno) && input.fileno
          file ? [Process.pid, file] : input.read.to_s
        end
      end

      # Part of the work for an answer, by another worker that has nothing to do.
      class Help
        # @param asker [Connection] who is told whether it was done
        # @param env [Hash{String => String}] of its own request
        # @param number [Integer]; path, query [String]; body [Array(Integer, Integer)] as a worker's "help" has them
        def initialize(pool, events, asker, env, number, path, query, body)
          @page, theirs = UNIXSocket.pair
          env = { **env, "REQUEST_METHOD" => "POST", "PATH_INFO" => path, "QUERY_STRING" => query }
          env = { **env.except(*NOT_OURS), "rack.input" => body }
          Thread.new { asker.helped(number, done?(pool, events, env, theirs)) }
        end

        # Ends it, as nobody waits for it any more.
        def close = @page.close

        private

        # Names of a request that hold of all of the work.
        NOT_OURS = %w[CONTENT_TYPE CONTENT_LENGTH HTTP_X_WORK].freeze
        private_constant :NOT_OURS

        def done?(pool, events, env, page)
          task = [env["PATH_INFO"][JOB, 1], :help]
          worker = pool.take_spare(task) or return false
          status, _headers, parts = Answer.new(pool, worker, events, page).ask(task, env)
          parts.each(&:itself)
          status == 204
        rescue Pool::NoWorker, Messages::Ended
          false
        ensure
          page.close
        end
      end
      private_constant :Answer, :Help
    end
  end
end
