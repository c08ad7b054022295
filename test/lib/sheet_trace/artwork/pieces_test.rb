# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Places::Pieces do
  # What is left of a polygon on one side of a line.
  # Source: I. E. Sutherland, G. W. Hodgman, "Reentrant polygon clipping", 1974.
  clipped =
    lambda do |corners, axis, sign, at|
      inside = ->(corner) { (corner[axis] - at) * sign >= 0 }
      corners.each_index.flat_map do |k|
        from, to = corners[k - 1], corners[k]
        share = (at - from[axis]).fdiv(to[axis] - from[axis]) if inside.call(from) != inside.call(to)
        [*(share && [from.zip(to).map { |a, b| a + (share * (b - a)) }]), *(inside.call(to) ? [to] : nil)]
      end
    end
  area = ->(corners) do
    corners.each_index.sum { |k| (corners[k - 1][0] * corners[k][1]) - (corners[k][0] * corners[k - 1][1]) }.abs / 2
  end
  in_square =
    lambda do |corners|
      area.call(
        [[0, 1, 0], [0, -1, 1], [1, 1, 0], [1, -1, 1]].reduce(corners) { |left, line| clipped.call(left, *line) }
      )
    end

  it "finds the triangles that the content lies on, small or long, either way round, and no others" do
    random = Random.new(5)
    triangles =
      Array.new(2000) do |i|
        size = [0.1, 1.0, 8.0][i % 3]
        middle = [random.rand(-1.5..2.5), random.rand(-1.5..2.5)]
        Array.new(3) { middle.map { |value| value + (random.rand(-1.0..1.0) * size) } }
      end
    across, down = Array.new(2) { |axis| Numo::DFloat.cast(triangles.map { |corners| corners.map { |c| c[axis] } }) }
    found = SheetTrace::Artwork::Places::Pieces.under(across, down).to_a

    assert_equal triangles.map { |corners| in_square.call(corners) > 1e-12 ? 1 : 0 }, found
    assert_operator found.sum, :>, 300
    assert_operator found.sum, :<, 1700
  end
end
