# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

# Twins that lie on each other take one shape.
describe "twins that follow" do
  stacked = -> { SheetTrace::Operations.run(SheetTrace::Operations.from_h("stack_twins", {}), Demo.skiff.job).job }
  pair = ->(job) { %w[Left Right].map { |side| job.island_names.index("hull #{side}") } }
  places = ->(job, island) { job.layout.points_px[job.layout.uv_map.island_points[island], true].round.to_a.sort }

  it "go along with one corner, relaxing and whole pixels" do
    job = stacked.call
    left, right = pair.call(job)
    corner = job.layout.uv_map.island_points[right][0]
    x, y = job.layout.points_px[corner, true].to_a
    {
      "place_corner" => {
        point: corner,
        x_px: x + 6,
        y_px: y - 4,
        alone: true
      },
      "relax" => {
        islands: [left],
        border: "held",
        steps: 2
      },
      "snap_to_pixels" => {
        islands: [right],
        what: "points"
      }
    }.each do |name, parameters|
      after = operate(job, name, **parameters).job

      refute_equal job.layout.points_px, after.layout.points_px, name
      assert_equal places.call(after, left), places.call(after, right), name
      assert_includes SheetTrace::Layout::Stacks.call(after.layout), [left, right].sort, name
    end
  end

  it "stand as one: the gap is told to others, not to twins" do
    job = stacked.call
    left, right = pair.call(job)
    clearance = SheetTrace::Layout::Clearance.call(job.layout, [left, right])

    assert_operator clearance.gap_px, :>, 0
    refute_includes [left, right], clearance.nearest
    assert_empty clearance.over
    other = clearance.nearest
    onto = job.layout.centre_px([left]).zip(job.layout.centre_px([other])).map { |from, to| to - from }
    moved = job.layout.place([left, right], SheetTrace::Geometry::Affine.move(*onto))

    assert_includes SheetTrace::Layout::Clearance.call(moved, [left, right]).over, other
  end
end
