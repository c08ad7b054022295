# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

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

  # Round an edge of the caddy, whose sides lie far apart on the sheet, and side by side.
  it "frames a content the same, whether its islands are looked at one by one or all at once" do
    pieces = SheetTrace::Artwork::Places::Pieces
    job = Models.job(Demo::TeaCaddy.obj)
    place = SheetTrace::Artwork::Places::OnSurface.new(face: 0, at: [35.0, 60.0, 25.0], width_mm: 49.3)
    one, other = job.round_spot(place, 40.0).then { |own| pieces.islands(job.layout.uv_map, own.parents) }
    boxes = job.layout.boxes_px
    gap = boxes[other, 0] - boxes[one, 2]
    beside = operate(job, "transform_islands", islands: [other], move_px: [-gap, boxes[one, 1] - boxes[other, 1]]).job
    [job, beside].each do |state|
      canvas = state.canvas(pictures: nil)
      laid = state.round_spot(place, 40.0)
      corners, rows = pieces.corners_px(canvas, laid)
      across, down = Array.new(2) { |axis| (laid.places[rows, true, axis] / 49.3) + 0.5 }
      one_by_one = pieces.frame(canvas, corners, laid.parents[rows], across, down, covered_px: [9.0, 9.0])
      at_once =
        SheetTrace::Artwork::TriangleFrame.call(canvas.texel_map_of(corners), across, down, covered_px: [9.0, 9.0])
      found, expected =
        [one_by_one, at_once].map do |frame|
          values = [*frame.places.call(0...frame.texels.size), frame.coverage].map(&:to_a)
          frame.texels_in(SheetTrace::Artwork::Box.whole(canvas.size)).to_a.zip(*values).sort
        end

      assert_equal expected.map(&:first), found.map(&:first)
      expected.flatten.zip(found.flatten) { |a, b| assert_in_delta a, b, 1e-9 }
    end
  end
end
