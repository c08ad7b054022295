# frozen_string_literal: true

# The nursery: `ruby --yjit server/workers/nursery.rb FD DATABASE`. It loads the core and the routes and runs none of
# them, and forks a worker for each socket that it is handed over FD. So a worker is there within a tenth of a second,
# and none inherits a thread of the libraries that compute: a process forked after those have run hangs.

require_relative "../../config/environment"
require "socket"
require_relative "../app"
require_relative "worker"

SheetTrace.eager_load
Memory.reuse

server = UNIXSocket.for_fd(Integer(ARGV[0]))
database = ARGV[1]
trap(:INT, "IGNORE") # what the terminal sends to all is the server's affair
GC.start
GC.compact if GC.respond_to?(:compact)
begin
  server.write("r")
rescue Errno::EPIPE
  exit!(0) # the server could not start
end

# Workers that have ended. No Process.detach: its threads have no place beside a fork.
reap =
  lambda do
    nil while Process.wait(-1, Process::WNOHANG)
  rescue Errno::ECHILD
    nil
  end

loop do
  ready = server.wait_readable(5)
  reap.call
  next unless ready

  begin
    socket = server.recv_io(UNIXSocket)
  rescue SocketError, SystemCallError, EOFError
    break # the server has ended
  end
  pid =
    fork do
      server.close
      SheetTraceServer::Workers::Worker.start(socket, database)
    end
  socket.close
  server.write([pid].pack("L"))
end
exit!(0)
