# frozen_string_literal: true

# Pages that go while long work is done for them: how long it takes until the work has ended, told by the processor time
# of the workers.
require_relative "load"

rounds = Integer(ARGV.fetch(0, "10"))
random = Random.new(7)
Stress.with_server do |server|
  heavy = server.upload(Stress.wavy(225))
  crowd = server.upload("patches.obj" => Bench::Surfaces.patches(600))
  busy =
    lambda do |pids|
      pids.sum do |pid|
        File.read("/proc/#{pid}/stat").split.values_at(13, 14).sum(&:to_i)
      rescue SystemCallError
        0
      end
    end
  ended =
    Array.new(rounds) do |round|
      job, path, call =
        [
          [heavy, "operations", { base_revision: heavy["revision"], name: "lay_flat", parameters: {} }],
          [crowd, "watches", { name: "pack", parameters: {} }],
          [crowd, "operations", { base_revision: crowd["revision"], name: "pack", parameters: {} }],
          [heavy, "previews", { name: "lay_flat", parameters: { by: "unfold" } }]
        ][
          round % 4
        ]
      body = JSON.generate(call)
      page = TCPSocket.new("127.0.0.1", server.port)
      page.write(
        "POST /api/jobs/#{job["id"]}/#{path} HTTP/1.1\r\nHost: 127.0.0.1\r\ncontent-type: application/json\r\n"
      )
      page.write("content-length: #{body.bytesize}\r\n\r\n#{body}")
      sleep 0.5 + random.rand(1.5)
      page.close
      closed = Stress.now
      loop do
        before = busy.call(server.family)
        sleep 0.1
        break Stress.now - closed - 0.1 if busy.call(server.family) - before <= 1
        break Float::INFINITY if Stress.now - closed > 60
      end
    end
  sorted = ended.sort
  puts format("work ended after its page: median %.2f s, worst %.2f s", sorted[sorted.size / 2], sorted.last)
  puts "and the server still answers: #{server.get("/api/jobs")["jobs"].size} jobs"
end
