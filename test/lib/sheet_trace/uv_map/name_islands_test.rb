# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::UvMap::NameIslands do
  # Each quadrilateral, given by its lower left corner, faces the front and is an island of its own.
  fronts =
    lambda do |places, parts|
      lines =
        places.each_with_index.flat_map do |(x, y), i|
          corners = [[x, y], [x + 1, y], [x + 1, y + 1], [x, y + 1]].map { |a, b| "v #{a} #{b} 0" }
          uvs = [[0, 0], [1, 0], [1, 1], [0, 1]].map { |u, v| "vt #{(i + u) / 9.0} #{v / 9.0}" }
          [
            *corners,
            *uvs,
            ("o #{parts[i]}" if parts),
            "f #{(1..4).map { |k| "#{(4 * i) + k}/#{(4 * i) + k}" }.join(" ")}"
          ].compact
        end
      Models.map(lines.join("\n")).island_names
    end

  it "names the panels of a carton" do
    assert_equal %w[Front Left Right Back Top Bottom], Models.map(Demo::TeaCaddy.obj).island_names
  end

  it "tells two of one facing apart by place" do
    assert_equal ["Front left", "Front right"], fronts.call([[0, 0], [5, 0]], nil)
    assert_equal ["Front upper", "Front lower"], fronts.call([[0, 5], [0, 0]], nil)
  end

  it "numbers more than two" do
    assert_equal ["Front 1", "Front 2", "Front 3"], fronts.call([[0, 0], [3, 0], [6, 0]], nil)
  end

  it "puts the part's name first where there are several parts" do
    assert_equal ["box Front", "lid Front"], fronts.call([[0, 0], [5, 0]], %w[box lid])
  end
end
