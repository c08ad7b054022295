# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Px do
  px = SheetTrace::Artwork::Px

  it "holds red, green, blue and alpha in the order of their bytes" do
    assert_equal [1, 2, 3, 4], [px.of([1, 2, 3], 4)].pack("L<").bytes
    levels = [[7, 255], [8, 0], [9, 128]].map { |own| Numo::UInt32.cast(own) }

    assert_equal [7, 8, 9, 255, 255, 0, 128, 255], px.of(levels).to_binary.bytes
    assert_equal [4, 255], px.alpha(Numo::UInt32[px.of([1, 2, 3], 4), px.of([0, 0, 0])]).to_a
  end

  it "keeps its colour as it fades, and rounds its alpha" do
    own = Numo::UInt32[px.of([1, 2, 3]), px.of([4, 5, 6], 100), px.of([7, 8, 9], 0)]
    found = px.faded(own, Numo::DFloat[0.5, 0.016, 1.0]).to_binary.bytes.each_slice(4).to_a

    assert_equal [[1, 2, 3, 128], [4, 5, 6, 2], [7, 8, 9, 0]], found
    assert_equal own, px.faded(own, 1.0)
  end
end
