# frozen_string_literal: true

require_relative "messages"

module SheetTraceServer
  module Workers
    # One worker as the server sees it. It has one request at a time.
    class Connection
      # Work that lasts longer steps back behind what is quick.
      LONG_S = 0.5
      LONG_NICE = 5
      # A worker that does not stop within this time is ended.
      GRACE_S = 1.0
      private_constant :LONG_S, :LONG_NICE, :GRACE_S

      # The page that asked has gone.
      class Left < StandardError
      end

      # It takes longer than it may.
      class Late < StandardError
      end

      # @return [Integer]
      attr_reader :pid
      # @return [Array, nil] what it did last, and so has at hand: a job's id, and what of it
      attr_reader :task
      # @return [Float] when its request began, or the last one ended
      attr_reader :since

      # @param socket [UNIXSocket]
      def initialize(socket, pid)
        @messages = Messages.new(socket)
        @pid = pid
        @number = 0
        @since = now
        @answering = @tired = false
      end

      # @return [Boolean] whether its answer has begun, as its work is done
      def answering? = @answering

      # @param body [String, Array(Integer, Integer)]
      # @raise [Messages::Ended]
      def ask(task, env, body)
        @task = task
        @since = now
        @answering = false
        @nice = false
        @messages.write("request", @number += 1, env, body)
      end

      # @param page [BasicSocket, nil] the connection of who asked
      # @param till [Float, nil] when it shall have come
      # @return [Array] the next message
      # @raise [Messages::Ended] where the worker has died; [Left]; [Late]
      def read(page = nil, till: nil)
        loop do
          message = @messages.take and return taken(message)
          raise Late if till && now > till

          step_back if !@nice && now - @since > LONG_S
          ready, = IO.select([@messages, page].compact, nil, nil, @nice && till.nil? ? nil : LONG_S)
          next unless page && ready&.include?(page)

          # What is sent while an answer is awaited is the next request; it is looked at in its turn.
          raise Left if gone?(page)

          page = nil
        end
      end

      # @param number [Integer] of what it asked others for; done [Boolean]
      def helped(number, done)
        @messages.write("helped", number, done)
      rescue Messages::Ended
        nil
      end

      # @param job [String] id, of which it has the state that is shown at hand
      def knows(job)
        @task = [job, nil]
      end

      # Ends the present request, or else the worker.
      #
      # @return [Boolean] whether the worker goes on
      def cancel
        @messages.write("cancel", @number)
        till = now + GRACE_S
        until (message = @messages.take)&.first == "end"
          next if message
          return false if now > till

          @messages.to_io.wait_readable([till - now, 0.01].max)
        end
        done(message.last)
      rescue Messages::Ended
        false
      end

      # @param wants_to_go [Boolean] as the worker says
      # @return [Boolean] whether it goes on
      def done(wants_to_go)
        @since = now
        @answering = false
        @tired ||= wants_to_go
        Process.setpriority(Process::PRIO_PROCESS, pid, 0) if @nice
        !@tired
      rescue SystemCallError
        false # who is not root can't step forward again: a new worker can
      end

      # @return [Boolean] whether it lives, as far as is known without asking
      def alive?
        @messages.take.nil?
      rescue Messages::Ended
        false
      end

      def close = @messages.close

      def kill
        Process.kill(:KILL, pid)
      rescue Errno::ESRCH
        nil
      ensure
        close
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      private

      def taken(message)
        @answering ||= message.first == "head"
        message
      end

      def gone?(page)
        page.recv_nonblock(1, Socket::MSG_PEEK, exception: false).then { |byte| byte.nil? || byte == "" }
      rescue SystemCallError, IOError
        true
      end

      def step_back
        @nice = true
        Process.setpriority(Process::PRIO_PROCESS, pid, LONG_NICE)
      rescue SystemCallError
        nil
      end
    end
  end
end
