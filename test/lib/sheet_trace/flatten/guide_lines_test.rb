# frozen_string_literal: true

require "test_helper"

describe "lines of an island that artwork is set by" do
  lines =
    lambda do |job|
      SheetTrace::Flatten::GuideLines
        .call(job.layout.uv_map, 0, job.flat_map(0))
        .then { |own| [own.upright, own.level].map { |found| found.to_h { |line| [line.name, line.at_mm.round(3)] } } }
    end
  define_method(:flat) do |solid, **measures|
    operate(
      SheetTrace::Job::Start.call(SheetTrace::Solids.build(solid, measures), source_name: "a").job,
      "lay_flat"
    ).job
  end

  # 80 x 120 x 50 mm: the net is 260 wide and 220 high; side panels stand beside each other, lids above and below.
  it "has edges and middles of every panel of a net, wherever it starts" do
    upright, level = lines.call(flat("box", width_mm: 80.0, height_mm: 120.0, depth_mm: 50.0))
    edges = %w[left right].map { |side| upright.fetch("#{side} edge of the island") }

    assert_equal [-130.0, 130.0], edges
    # Panels of 80, 50, 80, 50 mm round have five edges and four middles, the island one middle.
    assert_equal [-130.0, -105.0, -80.0, -40.0, 0.0, 25.0, 50.0, 90.0, 130.0].map(&:abs).sort,
                 upright.values.map(&:abs).sort
    assert_in_delta 130.0, (upright.fetch("centre front") - upright.fetch("centre back")).abs, 1e-6
    assert_includes level.keys, "middle of the island"
    assert_equal [-110.0, -60.0, 60.0, 110.0], level.values.sort - [0.0, -85.0, 85.0]
  end

  # Round a cylinder the front is a quarter of the way from the right, and half of it from the back.
  it "has where the model's middle runs on a rolled-out band" do
    job = flat("cylinder", diameter_mm: 80.0, height_mm: 120.0)
    around = (0...job.layout.uv_map.island_count).max_by { |island| job.flat_map(island).size_mm.reduce(:*) }
    own =
      SheetTrace::Flatten::GuideLines
        .call(job.layout.uv_map, around, job.flat_map(around))
        .upright
        .to_h { |line| [line.name, line.at_mm] }
    quarter = job.flat_map(around).size_mm[0] / 4
    front = own.fetch("centre front")

    turns =
      %w[right back left].filter_map do |side|
        own["centre #{side}"]&.then { |at_mm| ((at_mm - front) / quarter).round(2) % 4 }
      end

    # One of the four may lie where the band is cut.
    assert_operator turns.size, :>=, 2
    assert_empty turns - [1.0, 2.0, 3.0]
    assert_empty own.keys.grep(/of the (front|right|left|back)/)
  end

  it "has the edges and middles alone of a panel that faces no side, and is the same for triangles and quads" do
    upright, level = lines.call(Models.job(Models.panel))

    assert_equal [0.0, -40.0, 40.0], upright.values
    assert_equal [0.0, -60.0, 60.0], level.values
  end
end
