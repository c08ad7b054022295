# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Box do
  box = SheetTrace::Artwork::Box

  it "has its far sides and its area, and is empty without" do
    own = box.new(2, 3, 10, 4)

    assert_equal [12, 7, 40], [own.right_px, own.bottom_px, own.area]
    assert_empty box.new(0, 0, 0, 5)
    refute_empty own
  end

  it "grows on all sides, and keeps what lies within another" do
    assert_equal box.new(0, 1, 14, 8), box.new(2, 3, 10, 4).grown(2)
    assert_equal box.new(5, 3, 5, 2), box.new(2, 3, 8, 2).within(box.new(5, 0, 9, 9))
    assert_empty box.new(0, 0, 4, 4).within(box.new(9, 9, 4, 4))
  end

  it "joins boxes where one round both costs no more, and holds the same texels" do
    near = [box.new(0, 0, 10, 10), box.new(2, 1, 10, 10)]
    far = box.new(50, 0, 10, 10)

    assert_equal [box.new(0, 0, 12, 11), far].to_set, box.joined([near[0], far, near[1]]).to_set
    assert_equal [box.new(0, 0, 60, 10)], box.joined([near[0], far, box.new(0, 0, 60, 10)])
    assert_empty box.joined([])
  end

  it "cuts its own part out of rows" do
    rows = Numo::Int32.new(6, 8).seq
    part = box.new(2, 1, 3, 2)

    assert_equal [[10, 11, 12], [18, 19, 20]], rows[*part.ranges].to_a
    assert_equal box.new(1, 1, 3, 2), part.seen_from(box.new(1, 0, 7, 6))
  end
end
