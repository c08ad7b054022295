# frozen_string_literal: true

# The server is killed in the midst of changes and uploads, 60 times or as often as is given, and started again: what it
# acknowledged is there, and what it did not is there whole or not at all.
require_relative "load"

rounds = Integer(ARGV.fetch(0, "60"))
random = Random.new(3)
Stress.with_server do |server|
  jobs = Array.new(2) { server.upload(Stress.wavy(30)) }
  known = jobs.map { |job| job["revision"] }
  pictures = Hash.new(0)
  lost = 0
  torn = 0
  number = 0 # of the next picture: each is another, as the same one is kept once
  rounds.times do |round|
    workers =
      jobs.each_index.map do |i|
        Thread.new do
          Net::HTTP.start("127.0.0.1", server.port, read_timeout: 10) do |http|
            loop do
              answer = Stress.operate(http, jobs[i], "transform_islands", { islands: [round % 25], move_px: [1, 1] })
              jobs[i] = JSON.parse(answer.body)
              known[i] = jobs[i]["revision"]
              header = { "x-file-name" => "n.png", "content-type" => "application/octet-stream" }
              sent = http.post("/api/jobs/#{jobs[i]["id"]}/pictures", Stress.picture(64, seed: number += 1), header)
              pictures[i] += 1 if sent.code == "201"
            end
          end
        rescue SystemCallError, IOError, Timeout::Error
          nil # it was killed
        end
      end
    sleep 0.2 + random.rand(0.6)
    server.kill
    workers.each(&:join)
    server.start
    jobs.each_index do |i|
      now = server.get("/api/jobs/#{jobs[i]["id"]}")
      lost += 1 if now["revision"] < known[i] || now["pictures"].size < pictures[i]
      whole = server.get("/api/jobs/#{jobs[i]["id"]}/preflight?revision=#{now["revision"]}")
      torn += 1 if now["damage"] || whole["error"]
      pictures[i] = now["pictures"].size
      jobs[i] = now
      known[i] = now["revision"]
    end
  end
  puts "#{rounds} kills: #{pictures.values.sum} pictures kept; acknowledged and lost: #{lost}; torn: #{torn}"
  exit 1 if lost.positive? || torn.positive?
end
