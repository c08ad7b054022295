# frozen_string_literal: true

require "msgpack"
require "socket"

module SheetTraceServer
  module Workers
    # Arrays of plain values, sent to and fro over a socket: the server's words are
    #   request, number, env, body   cancel, number   and   helped, number, whether it was done
    # and those of a worker
    #   head, status, headers   body, bytes   tell, event, data   end, whether it wants to be replaced
    #   and   help, number, path, query, body
    class Messages
      # The other end has gone.
      class Ended < StandardError
      end

      BLOCK_BYTES = 262_144
      private_constant :BLOCK_BYTES

      # @param socket [UNIXSocket]
      def initialize(socket)
        @socket = socket
        @unpacker = MessagePack::Unpacker.new
        @received = []
        @lock = Mutex.new
      end

      def to_io = @socket

      # @raise [Ended]
      def write(*message)
        @lock.synchronize { @socket.write(message.to_msgpack) }
      rescue SystemCallError, IOError
        raise Ended
      end

      # @param within [Numeric, nil] s that are waited at the most
      # @return [Array, nil] the next message; nil if none has come within that time
      # @raise [Ended]
      def read(within: nil)
        until (message = take)
          return unless @socket.wait_readable(within)
        end
        message
      end

      # @return [Array, nil] the next message, where one has come
      # @raise [Ended]
      def take
        receive if @received.empty?
        @received.shift
      end

      def close = @socket.close

      private

      def receive
        bytes = @socket.read_nonblock(BLOCK_BYTES, exception: false)
        raise Ended if bytes.nil?

        @unpacker.feed_each(bytes) { |message| @received << message } unless bytes == :wait_readable
      rescue SystemCallError, IOError
        raise Ended
      end
    end
  end
end
