# frozen_string_literal: true

# 60 moves of an island on a sheet of 20 000 faces with a picture over it, and after each the sheet's image at 2048 px
# and what else a page asks for: what the server and its workers hold, and how long until the image is there.
require_relative "load"

SHOWN = [1, 5, 10, 20, 40, 60, 100, 200, 400].freeze
moves = Integer(ARGV.fetch(0, "60"))
Stress.with_server do |server|
  job = server.upload(Stress.wavy(100))
  times = Stress::Times.new
  Net::HTTP.start("127.0.0.1", server.port, read_timeout: 120) do |http|
    header = { "x-file-name" => "noise.png", "content-type" => "application/octet-stream" }
    brought = JSON.parse(http.post("/api/jobs/#{job["id"]}/pictures", Stress.picture(512), header).body)
    digest = brought["pictures"].first["digest"]
    layer = { content: { kind: "picture", picture: digest }, place: { kind: "sheet" } }
    job = JSON.parse(Stress.operate(http, job, "resize_sheet", { width_px: 2048, height_px: 2048 }).body)
    job = JSON.parse(Stress.operate(http, job, "add_layer", layer).body)
    moves.times do |count|
      times.note do
        answer = Stress.operate(http, job, "transform_islands", { islands: [count % 25], move_px: [1, 1] })
        job = JSON.parse(answer.body) if answer.code == "200"
        revision = job["revision"]
        pages =
          %w[preflight arrays/points].map do |path|
            Thread.new do
              Net::HTTP.get_response("127.0.0.1", "/api/jobs/#{job["id"]}/#{path}?revision=#{revision}", server.port)
            end
          end
        sheet = http.get("/api/jobs/#{job["id"]}/sheet.tiles?revision=#{revision}")
        pages.each(&:join)
        unless [answer, sheet].all? { |got| got.code == "200" }
          abort "#{answer.code} #{sheet.code} #{answer.body[0, 200]}"
        end
        sheet
      end
      puts "after #{count + 1} moves: #{Stress.memory_mb(server)} MB" if SHOWN.include?(count + 1)
    end
  end
  puts "a move until its image is there: #{times}"
end
