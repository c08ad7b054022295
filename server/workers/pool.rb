# frozen_string_literal: true

require "etc"
require "rbconfig"
require_relative "connection"

module SheetTraceServer
  module Workers
    # The workers. A request goes to the one that knows its job, if that is free or soon will be, else to one that was
    # asked for nothing of late, else to a new one, else to any that is free: work that lasts holds up nobody, and what
    # a worker has at hand is seldom lost.
    class Pool
      MOST = 12
      PROCESSORS = Etc.nprocessors
      # Workers that are kept though there is nothing to do, and for how long the others are.
      KEPT = 3
      IDLE_S = 60
      # A job's own worker is waited for as long as it may be done sooner than another could open the job. Checks, which
      # nobody waits for, are done one after the other: beside each other they would take the worker that draws.
      PATIENCE_S = 0.3
      CHECK_PATIENCE_S = 2
      WAIT_S = 30
      # The compiler takes all of its memory at once: 256 MB if it is not told.
      JIT = %w[--yjit --yjit-exec-mem-size=64].freeze
      # Images are a few strings of many MB: by default Ruby collects all of its objects for each 16 MB of them.
      ALLOCATION = {
        "MALLOC_ARENA_MAX" => "2",
        "RUBY_GC_MALLOC_LIMIT" => (64 * 1_048_576).to_s,
        "RUBY_GC_MALLOC_LIMIT_MAX" => (128 * 1_048_576).to_s,
        "RUBY_GC_OLDMALLOC_LIMIT" => (128 * 1_048_576).to_s,
        "RUBY_GC_OLDMALLOC_LIMIT_MAX" => (256 * 1_048_576).to_s
      }.freeze
      NURSERY = File.expand_path("nursery.rb", __dir__)
      # Nurseries that are tried for one worker.
      NURSERIES = 3
      private_constant :MOST,
                       :PROCESSORS,
                       :KEPT,
                       :IDLE_S,
                       :PATIENCE_S,
                       :CHECK_PATIENCE_S,
                       :WAIT_S,
                       :JIT,
                       :ALLOCATION,
                       :NURSERY,
                       :NURSERIES

      # All workers have been at work for long.
      class Busy < StandardError
      end

      # None could be started.
      class NoWorker < StandardError
      end

      # @param path [String] of the store
      def initialize(path)
        @path = path
        @idle = []
        @busy = []
        @starting = 0
        @lock = Mutex.new
        @freed = ConditionVariable.new
        @nursing = Mutex.new
        Thread.new { @nursing.synchronize { start_nursery unless nursery_alive? } }
      end

      # Has a worker ready for the first page; from here on the store is as workers want it.
      def warm_up = Thread.new { give_back(take([nil, nil]), goes_on: true) }

      # @param task [Array] a job's id, nil if it is about none, and what of it is asked for
      # @return [Connection] the caller's until it is given back
      # @raise [Busy, NoWorker]
      def take(task)
        loop do
          worker = @lock.synchronize { free_for(task) } || start
          return worker if worker.alive?

          give_back(worker, goes_on: false)
        end
      end

      # @param task [Array] as .take has it
      # @return [Connection, nil] one that has nothing to do, as .take gives it; nil while all processors are at work
      # @raise [NoWorker]
      def take_spare(task)
        worker =
          @lock.synchronize do
            @freed.wait(@lock, PATIENCE_S) if all_at_work?
            return if all_at_work?

            own = own_for(task) || other_for(task)
            own ? occupy(own) : begin_one
          end || start
        return worker if worker.alive?

        give_back(worker, goes_on: false)
        nil
      end

      # @param goes_on [Boolean] false where it has died, or shall end
      def give_back(worker, goes_on:)
        surplus =
          @lock.synchronize do
            @busy.delete(worker)
            @idle << worker if goes_on
            @freed.broadcast
            long_idle
          end
        worker.kill unless goes_on
        surplus.each(&:close)
      end

      # @return [Array<Integer>] process ids of the workers
      def pids = @lock.synchronize { (@idle + @busy).map(&:pid) }

      private

      # @return [Connection, nil] nil where a new one shall be started
      def free_for(task)
        asked = now
        patience_s = patience_s(task)
        loop do
          if (own = own_for(task))
            return occupy(own)
          elsif now < asked + patience_s && soon_done?(task)
            @freed.wait(@lock, patience_s)
          elsif (other = other_for(task))
            return occupy(other)
          elsif @busy.size + @starting < MOST
            return begin_one
          else
            raise Busy if now > asked + WAIT_S

            @freed.wait(@lock, 1)
          end
        end
      end

      def own_for(task) = task.first && @idle.select { |worker| worker.task == task }.max_by(&:since)
      def all_at_work? = @busy.size + @starting >= PROCESSORS

      # A new one is counted from here on.
      def begin_one
        @starting += 1
        nil
      end

      # Whose work is long past, or any where there are as many as are kept.
      def other_for(task)
        longest = @idle.min_by(&:since) or return
        if longest.task.nil? || task.first.nil? || now - longest.since > IDLE_S || @idle.size + @busy.size >= KEPT
          longest
        end
      end

      def soon_done?(task)
        task.first &&
          @busy.any? { |worker| worker.task == task && (worker.answering? || now - worker.since < patience_s(task)) }
      end

      def patience_s(task) = task.last == :check ? CHECK_PATIENCE_S : PATIENCE_S

      def occupy(worker)
        @idle.delete(worker)
        @busy << worker
        worker
      end

      def long_idle
        spare = [@idle.size - KEPT, 0].max
        surplus = @idle.sort_by(&:since).first(spare).select { |worker| now - worker.since > IDLE_S }
        @idle -= surplus
        surplus
      end

      def start
        worker = @nursing.synchronize { fork_one }
        @lock.synchronize { @busy << worker }
        worker
      ensure
        @lock.synchronize { @starting -= 1 }
      end

      def fork_one
        tries ||= 0
        start_nursery unless nursery_alive?
        mine, theirs = UNIXSocket.pair
        @nursery.send_io(theirs)
        theirs.close
        Connection.new(mine, @nursery.readpartial(4).unpack1("L"))
      rescue EOFError, SystemCallError # it was killed meanwhile
        raise NoWorker if (tries += 1) > NURSERIES

        @nursery.close
        retry
      end

      def nursery_alive?
        @nursery_pid && Process.wait(@nursery_pid, Process::WNOHANG).nil?
      rescue Errno::ECHILD
        false
      end

      def start_nursery
        @nursery, theirs = UNIXSocket.pair
        @nursery_pid =
          Process.spawn(
            ALLOCATION,
            RbConfig.ruby,
            *JIT,
            NURSERY,
            theirs.fileno.to_s,
            @path,
            theirs.fileno => theirs.fileno
          )
        theirs.close
        @nursery.readpartial(1)
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
