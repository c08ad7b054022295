# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::FindRoom do
  # A panel over the left 40 % of a sheet of 1024 px leaves 614 px beside it, over its whole height 512 px below.
  it "tells the largest free square, to a cell of 2 px and the one beside it" do
    job = Models.job(Models.panel(uvs: [[0, 0.5], [0.4, 0.5], [0.4, 1], [0, 1]]))
    room = SheetTrace::Layout::FindRoom.new(job.layout, without: [], gutter_px: 0)

    assert_in_delta 614.4, room.largest_square_px, 4.4
  end

  it "tells the whole of an empty sheet, and nothing of a full one" do
    empty = Models.job(Models.panel(uvs: [[2, 2], [3, 2], [3, 3], [2, 3]]))
    full = Models.job(Models.panel(uvs: [[-1, -1], [2, -1], [2, 2], [-1, 2]]))
    side = ->(job) { SheetTrace::Layout::FindRoom.new(job.layout, without: [], gutter_px: 0).largest_square_px }

    assert_equal [1024, 0], [empty, full].map(&side)
  end
end
