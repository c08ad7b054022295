# frozen_string_literal: true

# Four writers on four jobs, and uploads beside them, for 30 s or as many as are given: no answer fails, none takes
# long, and nothing that was acknowledged is lost.
require_relative "load"

seconds = Float(ARGV.fetch(0, "30"))
Stress.with_server do |server|
  jobs = Array.new(4) { server.upload(Stress.wavy(40)) }
  writes = Stress::Times.new
  uploads = Stress::Times.new
  pictures = Array.new(8) { |seed| Stress.picture(700, seed: seed) }
  model = Stress.wavy(60)
  writers =
    jobs.each_index.map do |i|
      Thread.new do
        Stress.ask_for(seconds, server, pause: 0) do |http, count|
          writes.note do
            answer = Stress.operate(http, jobs[i], "transform_islands", { islands: [count % 25], move_px: [1, 1] })
            jobs[i] = JSON.parse(answer.body) if answer.code == "200"
            answer
          end
        end
      end
    end
  writers << Thread.new do
    Stress.ask_for(seconds, server, pause: 0.2) do |http, count|
      name = { "x-file-name" => "noise-#{count}.png", "content-type" => "application/octet-stream" }
      uploads.note { http.post("/api/jobs/#{jobs[count % 4]["id"]}/pictures", pictures[count % 8], name) }
    end
  end
  writers << Thread.new do
    Stress.ask_for(seconds, server, pause: 0.5) do |http, _|
      request = Net::HTTP::Post.new("/api/jobs")
      files = model.map { |name, bytes| ["files[]", StringIO.new(bytes), { filename: name }] }
      request.set_form(files, "multipart/form-data")
      uploads.note { http.request(request) }
    end
  end
  writers.each(&:join)
  puts "changes   #{writes}", "uploads   #{uploads}"
  lost = jobs.reject { |job| server.get("/api/jobs/#{job["id"]}")["revision"] == job["revision"] }
  puts "acknowledged and lost: #{lost.size} of #{jobs.size} jobs; memory #{Stress.memory_mb(server)} MB"
end
