# frozen_string_literal: true

# A store on a disk of 24 MB that is filled with pictures: what does not fit is refused in words, what is there stays, a
# job can be deleted, and then there is room again. Needs the right to mount a disk of its own.
require_relative "load"

Dir.mktmpdir do |folder|
  unless system("mount", "-t", "tmpfs", "-o", "size=24m", "tmpfs", folder, err: File::NULL)
    puts "no disk can be mounted here; test/server/damage_test.rb tries a full store by SQLite's own limit"
    next
  end

  server = RunningServer.new(File.join(folder, "jobs.sqlite"))
  begin
    jobs = Array.new(2) { server.upload(Stress.wavy(30)) }
    answers =
      Array.new(40) do |i|
        header = { "x-file-name" => "n.png", "content-type" => "application/octet-stream" }
        http = Net::HTTP.new("127.0.0.1", server.port)
        http.post("/api/jobs/#{jobs[0]["id"]}/pictures", Stress.picture(500, seed: i), header)
      end
    refused = answers.reject { |answer| answer.code == "201" }
    puts "#{answers.size - refused.size} pictures kept, #{refused.size} refused: #{refused.map(&:code).uniq.join(", ")}"
    puts "  #{JSON.parse(refused.last.body).dig("error", "message")}"
    kept = server.get("/api/jobs/#{jobs[0]["id"]}")["pictures"].size
    puts "  shown: #{kept}; the other job opens: #{server.get("/api/jobs/#{jobs[1]["id"]}")["revision"]}"
    puts "deleting a job on the full disk: #{server.delete("/api/jobs/#{jobs[0]["id"]}").code}"
    moved =
      Net::HTTP.start("127.0.0.1", server.port) do |http|
        Stress.operate(http, jobs[1], "transform_islands", { islands: [0], move_px: [1, 1] })
      end
    puts "a change of the other job afterwards: #{moved.code}"
  ensure
    server.kill
    sleep 0.5
    system("umount", folder)
  end
end
