# frozen_string_literal: true

# 200 open pages, or as many as are given, each with its stream of events; requests are answered beside them, and each
# page is told of a change.
require_relative "load"

count = Integer(ARGV.fetch(0, "200"))
Stress.with_server do |server|
  job = server.upload(Stress.wavy(20))
  times = Stress::Times.new
  started = Stress.now
  pages =
    Array.new(count) do
      TCPSocket
        .new("127.0.0.1", server.port)
        .tap { |socket| socket.write("GET /api/events HTTP/1.1\r\nHost: 127.0.0.1:#{server.port}\r\n\r\n") }
    end
  heard = 0
  read_until =
    lambda do |socket, text, within|
      bytes = +""
      till = Stress.now + within
      until bytes.include?(text)
        break if Stress.now > till || !socket.wait_readable(till - Stress.now)

        bytes << socket.readpartial(4096)
      end
      bytes.include?(text)
    rescue IOError, SystemCallError
      false
    end
  open = pages.count { |socket| read_until.call(socket, ": open", [15 - (Stress.now - started), 0.05].max) }
  puts "#{open} of #{count} streams open after #{((Stress.now - started) * 1000).round} ms"
  answers =
    Thread.new do
      Net::HTTP.start("127.0.0.1", server.port, read_timeout: 10) do |http|
        50.times { times.note { http.get("/api/jobs/#{job["id"]}") } }
        Stress.operate(http, job, "transform_islands", { islands: [0], move_px: [1, 0] })
      end
    rescue SystemCallError, IOError, Timeout::Error => e
      puts "no answer beside the streams: #{e.class}"
    end
  answers.join(30) || answers.kill
  heard = pages.count { |socket| read_until.call(socket, "event: revision", 0.5) } if answers.status == false
  puts "beside them: #{times}", "#{heard} of #{count} pages told of a change"
  pages.each(&:close)
end
