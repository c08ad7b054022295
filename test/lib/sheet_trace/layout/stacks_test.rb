# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::Stacks do
  stacks = SheetTrace::Layout::Stacks
  # Four panels: the first and the third on one place, the second as large beside them, the fourth turned over on them.
  obj =
    lambda do
      places = [[100, 100], [300, 100], [100, 100], [100, 100]]
      rows =
        places.each_with_index.flat_map do |_, i|
          [[0, 0], [20, 0], [20, 10], [0, 10]].map { |x, y| "v #{x} #{y} #{i * 9}" }
        end
      uvs =
        places.flat_map do |x, y|
          [[0, 0], [200, 0], [200, 100], [0, 100]].map { |a, b| "vt #{(x + a) / 1024.0} #{(y + b) / 1024.0}" }
        end
      faces = Array.new(4) { |i| (i == 3 ? [0, 1, 3, 2] : [0, 1, 2, 3]).map { |k| (4 * i) + k + 1 } }
      [
        *rows,
        *uvs,
        *faces.first(3).map { |face| "f #{face.map { |k| "#{k}/#{k}" }.join(" ")}" },
        "f 13/13 14/14 15/15"
      ].join("\n")
    end
  layout = Models.job(obj.call).layout

  it "puts islands that lie on each other to the point into one list, and others that share only the box into theirs" do
    assert_equal [[0, 2], [1], [3]], stacks.call(layout)
  end

  it "takes along all that lie on an island" do
    assert_equal [[0, 2]], stacks.of(layout, [2])
    assert_equal [[0, 2], [1]], stacks.of(layout, [1, 0])
  end

  it "lets twins follow where a point of one was moved, and only them" do
    points = layout.points_uv.copy
    moved = layout.uv_map.island_points[2].to_a.first
    points[moved, true] = [0.9, 0.9]
    followed = stacks.follow(layout, points)
    own = ->(island) { followed[layout.uv_map.island_points[island], true].to_a.sort }

    assert_equal own.call(2), own.call(0)
    assert_includes own.call(0), [0.9, 0.9]
    assert_equal layout.points_uv[layout.uv_map.island_points[1], true], followed[layout.uv_map.island_points[1], true]
    assert_equal layout.points_uv, stacks.follow(layout, layout.points_uv)
  end
end
