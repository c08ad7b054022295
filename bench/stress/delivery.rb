# frozen_string_literal: true

# An edition of ten layers delivered as a zip with its texture as PNG, six times, its picture another share each time:
# how long it took, and what the worker that held most did. `delivery.rb 8192` for another side of the sheet, px.
require_relative "load"
require_relative "../ten_layers"

side = Integer(ARGV.fetch(0, "4096"))
Stress.with_server do |server|
  job = server.upload("tea-caddy.obj" => Demo::TeaCaddy.obj)
  Net::HTTP.start("127.0.0.1", server.port, read_timeout: 600) do |http|
    header = { "x-file-name" => "label.png", "content-type" => "application/octet-stream" }
    brought = http.post("/api/jobs/#{job["id"]}/pictures", Bench::TenLayers.picture, header)
    layers = Bench::TenLayers.layers(JSON.parse(brought.body)["pictures"][0]["digest"])
    [["resize_sheet", { width_px: side, height_px: side }], *layers.map { |layer| ["add_layer", layer] }].each do |step|
      job = JSON.parse(Stress.operate(http, job, *step).body)
    end
    6.times do |count|
      started = Stress.now
      answer = http.get("/api/jobs/#{job["id"]}/deliver.zip")
      seconds = Stress.now - started
      most = server.family.map { |pid| File.read("/proc/#{pid}/status")[/VmHWM:\s+(\d+)/, 1].to_i }.max
      puts format(
             "%d px: %s, %.1f MB in %.2f s, at most %d MB in a process",
             side,
             answer.code,
             answer.body.bytesize / 1e6,
             seconds,
             most / 1024
           )
      shown = { id: job.dig("artwork", "layers", 1, "id"), opacity: 0.9 - (count * 0.1) }
      job = JSON.parse(Stress.operate(http, job, "change_layer", shown).body)
    end
  end
end
