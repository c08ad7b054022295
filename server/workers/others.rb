# frozen_string_literal: true

require "tempfile"
require "uri"

module SheetTraceServer
  module Workers
    # The other workers as one of them sees them: it asks the server to have a request answered by one that has nothing
    # to do, while its own work goes on.
    class Others
      # @param messages [Messages] to the server
      def initialize(messages)
        @messages = messages
        @number = 0
        @waiting = {}
      end

      # Waits until it is done.
      #
      # @param path [String] that is posted to; query [Hash{Symbol => Object}]
      # @return [String, nil] what was written into the request's body; nil where nobody had time, or it came to nothing
      def call(path, **query)
        Tempfile.create("sheet-trace", binmode: true) do |file|
          File.unlink(file.path)
          number = @number += 1
          @waiting[number] = Queue.new
          @messages.write("help", number, path, URI.encode_www_form(query.compact), [Process.pid, file.fileno])
          file.read if @waiting[number].pop
        ensure
          @waiting.delete(number)
        end
      end

      # What the server says of it.
      def helped(number, done) = @waiting[number]&.push(done)
    end
  end
end
