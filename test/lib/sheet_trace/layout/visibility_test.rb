# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::Visibility do
  seen = ->(job) { SheetTrace::Layout::Visibility.call(job.layout.uv_map) }
  solid = ->(kind, **measures) { SheetTrace::Job.start(SheetTrace::Solids.build(kind, measures), source_name: kind) }

  it "sees all of a box alone, from wherever each side faces" do
    seen
      .call(solid.call("box", width_mm: 30, height_mm: 30, depth_mm: 30))
      .each { |share| assert_operator share, :>, 0.9 }
  end

  it "sees nothing of what is shut in, whatever the order in the file" do
    quads = ["1 2 4 3", "5 7 8 6", "1 5 6 2", "3 4 8 7", "1 3 7 5", "2 6 8 4"]
    [[10, 3], [3, 10]].each do |sizes|
      rows =
        sizes.flat_map do |size|
          [-1, 1].product([-1, 1], [-1, 1]).map { |x, y, z| "v #{x * size} #{y * size} #{z * size}" }
        end
      faces =
        sizes.each_index.flat_map { |i| quads.map { |quad| "f #{quad.split.map { |k| k.to_i + (8 * i) }.join(" ")}" } }
      shares = seen.call(operate(Models.job([*rows, *faces].join("\n")), "lay_flat", by: "square_on", seams: "all").job)
      outer, inner = [shares.first(6), shares.last(6)].then { |a, b| sizes.first == 10 ? [a, b] : [b, a] }

      assert_operator inner.max, :<, 0.01
      assert_operator outer.min, :>, 0.9
    end
  end
end
