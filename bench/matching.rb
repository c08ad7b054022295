# frozen_string_literal: true

# How often islands are put onto printed nets and into the fields of an atlas rightly, and how sure the program was:
# 600 made cases with a fixed seed. `ruby --yjit bench/matching.rb`; figures in bench/README.md.
require_relative "../config/environment"
require_relative "../test/joined_nets"
require_relative "../test/loose_panels"
require_relative "../test/printed_nets"

random = Random.new(2026)
measure = -> { 15 + random.rand(60) }
size = -> { [20 + random.rand(120), 20 + random.rand(120)] }
nets = ->(sizes) { PrintedNets.new(random, sizes).outcome }
joined = ->(sizes, **options) { JoinedNets.new(random, sizes, **options).outcome }
panels = ->(sizes, **options) { LoosePanels.new(random, sizes, **options).outcome }
apart = ->(step) { size.call.then { |sides| Array.new(5) { |i| sides.map { |side| side * (step**i) } } } }
kinds = {
  "a box of three measures" => [60, -> { nets.call([Array.new(3) { measure.call }]) }],
  "a box with a square base" => [60, -> { nets.call([measure.call.then { |side| [side, measure.call, side] }]) }],
  "a cube" => [60, -> { nets.call([[measure.call] * 3]) }],
  "three boxes on three nets" => [60, -> { nets.call(Array.new(3) { Array.new(3) { measure.call } }) }],
  "a net as one piece" => [60, -> { joined.call([Array.new(3) { measure.call }]) }],
  "a net with a square base" => [60, -> { joined.call([measure.call.then { |side| [side, measure.call, side] }]) }],
  "three nets" => [40, -> { joined.call(Array.new(3) { Array.new(3) { measure.call } }) }],
  "three nets, up to 3 % off" => [40, -> { joined.call(Array.new(3) { Array.new(3) { measure.call } }, off: 0.03) }],
  "three nets, up to 8 % off" => [40, -> { joined.call(Array.new(3) { Array.new(3) { measure.call } }, off: 0.08) }],
  "a net that is printed otherwise" => [40, -> { joined.call([Array.new(3) { measure.call }], otherwise: true) }],
  "panels of their own sizes" => [40, -> { panels.call(Array.new(6) { size.call }) }],
  "with three spare cells" => [40, -> { panels.call(Array.new(6) { size.call }, spare: 3) }],
  "two of them lying" => [40, -> { panels.call(Array.new(6) { size.call }, lying: [0, 1]) }],
  "cells up to 3 % off" => [40, -> { panels.call(Array.new(6) { size.call }, off: 0.03) }],
  "cells up to 8 % off" => [40, -> { panels.call(Array.new(6) { size.call }, off: 0.08) }],
  "sizes 3 % apart" => [40, -> { panels.call(apart.call(1.03)) }],
  "sizes 5 % apart, cells 3 % off" => [40, -> { panels.call(apart.call(1.05), off: 0.03) }],
  "alike, with names" => [40, -> { panels.call([size.call] * 5, names: %w[door window shutter awning counter]) }],
  "alike, without names" => [40, -> { panels.call([size.call] * 5) }]
}
all = []
puts "                                cases  panels   right  wrong  confidence"
kinds.each do |name, (cases, outcome)|
  found = Array.new(cases) { outcome.call }
  pairs = found.flat_map(&:pairs)
  all.concat(pairs)
  panels_in_all = found.sum(&:all)
  puts format(
         "%-30s %6d  %6d  %5.1f %%  %3.0f %%  %10.2f",
         name,
         cases,
         panels_in_all,
         *[true, false].map { |right| 100.0 * pairs.count { |pair| pair[1] == right } / panels_in_all },
         pairs.sum(&:first) / [pairs.size, 1].max
       )
end
puts "\nconfidence  proposals  right"
all
  .group_by { |confidence, _right| [(confidence * 5).floor, 4].min }
  .sort
  .each do |fifth, pairs|
    share = pairs.count { |_confidence, right| right }.fdiv(pairs.size)
    puts format("%.1f to %.1f  %9d  %4.0f %%", fifth / 5.0, (fifth + 1) / 5.0, pairs.size, 100 * share)
  end
