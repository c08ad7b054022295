# frozen_string_literal: true

# How often loose panels are put onto printed nets rightly, and how sure the program was: 240 made cases with a fixed
# seed. `ruby --yjit bench/matching.rb`; figures in bench/README.md.
require_relative "../config/environment"
require_relative "../test/printed_nets"

random = Random.new(2026)
measure = -> { 15 + random.rand(60) }
kinds = {
  "a box of three measures" => -> { [[measure.call, measure.call, measure.call]] },
  "a box with a square base" => -> { measure.call.then { |side| [[side, measure.call, side]] } },
  "a cube" => -> { [[measure.call] * 3] },
  "three boxes on three nets" => -> { Array.new(3) { [measure.call, measure.call, measure.call] } }
}
puts "                              cases  panels  right  wrong  not placed  confidence"
kinds.each do |name, sizes|
  found = Array.new(60) { PrintedNets.new(random, sizes.call).outcome }
  all, right, wrong = %i[all right wrong].map { |key| found.sum(&key) }
  sure = found.sum(&:confidence) / found.size
  puts format(
         "%-30s %4d  %6d  %4.0f %%  %3.0f %%  %8.0f %%  %9.2f",
         name,
         found.size,
         all,
         100.0 * right / all,
         100.0 * wrong / all,
         100.0 * (all - right - wrong) / all,
         sure
       )
end
