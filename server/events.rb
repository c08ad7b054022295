# frozen_string_literal: true

module SheetTraceServer
  # Tells open pages that a job has a new revision.
  class Events
    HEARTBEAT_S = 10
    private_constant :HEARTBEAT_S

    def initialize
      @lock = Mutex.new
      @queues = Hash.new { |queues, id| queues[id] = [] }
    end

    def publish(job_id, revision_id) = push(@lock.synchronize { @queues[job_id].dup }, revision_id)

    # Yields each new revision's id, and nil now and then so that a page that has gone is noticed.
    def each(job_id)
      queue = Queue.new
      @lock.synchronize { @queues[job_id] << queue }
      heart
      loop { yield queue.pop }
    ensure
      @lock.synchronize { @queues[job_id].delete(queue) }
    end

    private

    def push(queues, value) = queues.each { |queue| queue << value }

    def heart
      @heart ||=
        Thread.new do
          loop do
            sleep HEARTBEAT_S
            push(@lock.synchronize { @queues.values.flatten }, nil)
          end
        end
    end
  end
end
