# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::FindTwins do
  # Flat pieces of five corners without any symmetry, all seen from their outside, each changed on the model and laid
  # somewhere else on the sheet.
  shape = [[0, 0], [30, 0], [34, 12], [11, 20], [2, 15]]
  job =
    lambda do |*changes|
      rows =
        changes.each_with_index.flat_map do |change, i|
          shape.map { |x, y| "v #{change.call(x, y).join(" ")} #{i * 50}" }
        end
      uvs =
        changes.each_index.flat_map do |i|
          change = changes[i]
          shape.map do |x, y|
            change.call(x, y).then { |a, b| "vt #{((a + 60) / 900.0) + (i * 0.2)} #{(b + 60) / 900.0}" }
          end
        end
      faces =
        changes.each_with_index.map do |change, i|
          round = change.call(1, 0)[0] * change.call(0, 1)[1] < 0 ? (1..5).to_a.reverse : (1..5)
          "f #{round.map { |k| "#{(5 * i) + k}/#{(5 * i) + k}" }.join(" ")}"
        end
      Models.job([*rows, *uvs, *faces].join("\n"))
    end
  found =
    lambda do |state|
      SheetTrace::Layout::FindTwins.call(
        state.method(:flat_map),
        state.layout.uv_map,
        (0...state.layout.uv_map.island_count).to_a
      )
    end
  same = ->(x, y) { [x, y] }
  turned = ->(x, y) { [-y, x] }
  reflected = ->(x, y) { [-x, y] }
  larger = ->(x, y) { [x * 1.1, y * 1.1] }

  it "knows shapes again that were turned or reflected, and says which are" do
    twins = found.call(job.call(same, turned, larger, reflected))

    assert_equal [[0, 1, 3]], twins.map(&:islands)
    assert_equal [false, false, true], twins.first.reflected
  end

  it "says which point of one is which of the other" do
    state = job.call(same, turned)
    twins = found.call(state).first
    vertices = twins.points.map { |points| state.layout.uv_map.point_vertices[points].to_a }

    assert_equal vertices[0].map { |vertex| vertex + 5 }, vertices[1]
  end

  it "finds none where all differ" do
    assert_empty found.call(job.call(same, larger))
  end
end
