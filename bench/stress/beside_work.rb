# frozen_string_literal: true

# While 100 000 triangles are laid flat, other requests are answered: of the same job, and of others.
require_relative "load"

Stress.with_server do |server|
  heavy = server.upload(Stress.wavy(225))
  other = server.upload(Stress.wavy(20))
  results = { "the same job" => Stress::Times.new, "moves in another job" => Stress::Times.new }
  work =
    Thread.new do
      started = Stress.now
      Net::HTTP.start("127.0.0.1", server.port, read_timeout: 300) do |http|
        answer = Stress.operate(http, heavy, "lay_flat", {})
        puts "laying #{
               heavy.dig("counts", "triangles")
             } triangles flat: #{answer.code}, #{(Stress.now - started).round(1)} s"
      end
    end
  sleep 0.3
  askers = [
    Thread.new do
      Stress.ask_for(20, server) { |http, _| results["the same job"].note { http.get("/api/jobs/#{heavy["id"]}") } }
    end,
    Thread.new do
      Stress.ask_for(20, server) do |http, count|
        results["moves in another job"].note do
          answer = Stress.operate(http, other, "transform_islands", { islands: [count % 25], move_px: [1, 0] })
          other = JSON.parse(answer.body) if answer.code == "200"
          answer
        end
      end
    end
  ]
  [work, *askers].each(&:join)
  results.each { |name, times| puts "#{name.ljust(22)} #{times}" }
end
