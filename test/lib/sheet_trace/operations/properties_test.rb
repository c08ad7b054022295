# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

# What holds of every change of a layout, whatever islands and numbers it is given.
describe "every transform of a layout" do
  seed = Random.new_seed % 100_000
  random = Random.new(seed)
  samples = { "tea caddy" => Demo.tea_caddy.job, "skiff" => Demo.skiff.job }
  some = ->(job) { (0...job.layout.uv_map.island_count).to_a.sample(random.rand(1..4), random: random).sort }
  corner = ->(job) { random.rand(job.layout.uv_map.point_count) }
  side = -> { random.rand(-200.0..200.0) }

  # name => parameters drawn for a job; what must stay: "shape" all proportions of each island, "scale" its size too,
  # "turn" its direction too
  transforms = {
    "transform_islands" => [
      lambda do |job|
        {
          islands: some.call(job),
          move_px: [side.call, side.call],
          turn_rad: random.rand(-7.0..7.0),
          about: %w[common each].sample(random: random)
        }
      end,
      %w[scale]
    ],
    "reflect_islands" => [->(job) { { islands: some.call(job) } }, %w[scale]],
    "turn_upright" => [->(job) { { islands: some.call(job) } }, %w[shape]],
    "place_corner" => [->(job) { { point: corner.call(job), x_px: side.call, y_px: side.call } }, %w[scale turn]],
    "align_islands" => [
      lambda do |_job|
        {
          islands: (0..3).to_a,
          by: %w[left right top bottom centre middle spread_across spread_down].sample(random: random)
        }
      end,
      %w[scale turn]
    ],
    "fit_to_sheet" => [->(_job) { { margin_px: random.rand(0..40) } }, %w[turn]],
    "arrange_islands" => [->(_job) { { rule: %w[reading figure].sample(random: random), margin_px: 4 } }, %w[shape]],
    "pack" => [->(_job) { { turn: "none", gutter_px: random.rand(1..6), upright: false } }, %w[turn]],
    "equalise" => [->(_job) { {} }, %w[turn]],
    "park_islands" => [
      ->(job) { { islands: some.call(job), corner: %w[top_left bottom_right].sample(random: random), share: 0.03 } },
      %w[shape]
    ],
    "set_aside" => [->(job) { { islands: some.call(job) } }, %w[scale turn]],
    "scale_to_room" => [->(job) { { islands: some.call(job).first(2) } }, %w[shape]],
    "separate_islands" => [->(job) { { islands: some.call(job) } }, %w[turn]],
    "snap_to_pixels" => [
      ->(job) { { islands: some.call(job), what: "place", to: %w[corners middles].sample(random: random) } },
      %w[scale turn]
    ],
    "bring_onto_sheet" => [->(job) { { islands: some.call(job) } }, %w[turn]],
    "match_density" => [->(job) { { islands: some.call(job), density_px_per_mm: random.rand(0.5..6.0) } }, %w[turn]]
  }

  # Lengths of edges on the sheet, px, by island.
  lengths =
    lambda do |job|
      edges = job.layout.uv_map.edges
      ends = [0, 1].map { |k| job.layout.points_px[edges.points[true, k], true] }
      [edges.islands.to_a, (ends[1] - ends[0]).to_a]
    end

  transforms.each do |name, (draw, kept)|
    it "#{name} keeps what it does not speak of (seed #{seed})" do
      samples.each do |sample, job|
        parameters = draw.call(job)
        after = operate(job, name, **parameters).job
        context = "#{sample}, seed #{seed}, #{parameters}"

        assert_equal job.mesh, after.mesh, context
        assert_equal job.island_names, after.island_names, context
        assert_equal job.artwork.layers.map(&:place), after.artwork.layers.map(&:place), context
        assert_equal after.layout.points_uv.size, after.layout.points_uv.isfinite.count, context
        islands, before = lengths.call(job)
        now = lengths.call(after).last
        ratios = Hash.new { |all, island| all[island] = [] }
        islands.each_with_index do |island, i|
          Math.hypot(*before[i]).then { |length| ratios[island] << (Math.hypot(*now[i]) / length) if length > 0.5 }
        end
        ratios.each_value do |own|
          assert_in_delta own.min, own.max, 1e-6 * own.max, "shape: #{context}"
          assert_in_delta 1.0, own.max, 1e-6, "scale: #{context}" if kept.include?("scale")
        end
        next unless kept.include?("turn")

        bent =
          before
            .zip(now)
            .map do |(ax, ay), (bx, by)|
              ((ax * by) - (ay * bx)).abs / [Math.hypot(ax, ay) * Math.hypot(bx, by), 1e-9].max
            end

        assert_operator bent.max, :<, 1e-6, "turn: #{context}"
      end
    end
  end
end
