# frozen_string_literal: true

require "json"
require "nio"

module SheetTraceServer
  # Server-sent events: open pages are told what becomes of jobs. All streams are served by one thread, so that an open
  # page costs a socket and nothing else. (WHATWG HTML, "Server-sent events")
  class Events
    HEARTBEAT_S = 10
    # A page that reads no more is let go; it comes back by itself and looks anew.
    BEHIND_BYTES = 65_536
    Stream = Struct.new(:io, :unsent, :monitor)
    private_constant :HEARTBEAT_S, :BEHIND_BYTES, :Stream

    def initialize
      @selector = NIO::Selector.new
      @asked = Queue.new
      # By identity, as a stream's hash changes with what is not sent yet.
      @streams = {}.compare_by_identity
      @thread = Thread.new { run }
      @thread.priority = 2
    end

    # @return [#call] the body of an answer: takes the socket over, and frees the thread that served the request
    def body = ->(io) { ask { add(Stream.new(io, +": open\n\n".b)) } }

    # @param event [String]; data [Hash] of JSON
    def publish(event, data) = send_to_all("event: #{event}\ndata: #{JSON.generate(data)}\n\n")

    private

    def send_to_all(text)
      ask { @streams.dup.each_key { |stream| send_to(stream, text.b) } }
    end

    def ask(&work)
      @asked << work
      @selector.wakeup
    end

    def run
      beat = now + HEARTBEAT_S
      loop do
        @selector.select([beat - now, 0].max) { |monitor| turn(monitor) }
        @asked.pop.call until @asked.empty?
        next if now < beat

        beat = now + HEARTBEAT_S
        send_to_all(": still here\n\n")
      rescue StandardError => e
        warn e.full_message(highlight: false)
      end
    end

    def add(stream)
      stream.monitor = @selector.register(stream.io, :r)
      stream.monitor.value = stream
      @streams[stream] = true
      flush(stream)
    end

    def turn(monitor)
      stream = monitor.value
      return drop(stream) if monitor.readable? && stream.io.read_nonblock(4096, exception: false).nil?

      flush(stream) if monitor.writable?
    rescue SystemCallError, IOError
      drop(stream)
    end

    def send_to(stream, text)
      stream.unsent << text
      stream.unsent.bytesize > BEHIND_BYTES ? drop(stream) : flush(stream)
    end

    def flush(stream)
      sent = stream.unsent.empty? ? 0 : stream.io.write_nonblock(stream.unsent, exception: false)
      stream.unsent = stream.unsent.byteslice(sent..) if sent.is_a?(Integer)
      stream.monitor.interests = stream.unsent.empty? ? :r : :rw
    rescue SystemCallError, IOError
      drop(stream)
    end

    def drop(stream)
      return unless @streams.delete(stream)

      stream.monitor.close
      stream.io.close
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
