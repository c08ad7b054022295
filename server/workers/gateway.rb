# frozen_string_literal: true

require "json"
require_relative "pool"

module SheetTraceServer
  module Workers
    # Has requests answered by workers. Ends the work of a page that has gone; a worker that dies is one clear error.
    class Gateway
      JOB = %r{\A/api/jobs/([^/]+)}
      private_constant :JOB

      # @param events [Events] what workers tell goes to
      def initialize(pool, events)
        @pool = pool
        @events = events
      end

      def call(env)
        task = task(env["PATH_INFO"])
        answer = Answer.new(@pool, @pool.take(task), @events, env["puma.socket"])
        answer.ask(task, env)
      rescue Pool::Busy
        failure(503, "busy", "the server is at work on too much at once; stop some of it, or wait")
      end

      # Images go to another worker than the rest, so that each has at hand what it needs.
      def task(path) = [path[JOB, 1], path.end_with?(".png")]

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
        end

        # @return [Array] status, headers, body: as Rack has them
        def ask(task, env)
          @worker.ask(task, env.select { |_name, value| value.is_a?(String) }, body(env["rack.input"]))
          _word, status, headers = message
          [status, headers, self]
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
        end

        # What was not read to its end is not wanted.
        def close = @worker && let_go(goes_on: @worker.cancel)

        private

        # The next message that is part of the answer.
        def message
          loop do
            word, *rest = @worker.read(@page)
            return word, *rest unless word == "tell"

            @events.publish(rest[0], rest[1])
          end
        end

        def let_go(goes_on:)
          worker = @worker
          @worker = nil
          @pool.give_back(worker, goes_on: goes_on)
        end

        # Large ones are in a file of no name, which the worker opens through this process.
        def body(input)
          file = input.respond_to?(:fileno) && input.fileno
          file ? [Process.pid, file] : input.read.to_s
        end
      end
      private_constant :Answer
    end
  end
end
