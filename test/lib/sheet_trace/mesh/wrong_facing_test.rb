# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::WrongFacing do
  wrong = ->(obj) { SheetTrace::Mesh::WrongFacing.call(Models.read(obj).mesh).to_a }
  # A box's faces, seen from outside.
  corners = [0, 1].product([0, 1], [0, 1]).map { |x, y, z| "v #{x * 3} #{y * 2} #{z}" }
  faces = ["1 2 4 3", "5 7 8 6", "1 5 6 2", "3 4 8 7", "1 3 7 5", "2 6 8 4"]
  box = ->(turned) { faces.each_with_index.map { |face, i| turned.include?(i) ? face.split.reverse.join(" ") : face } }
  obj = ->(turned, order = (0..5).to_a) do
    [*corners, *box.call(turned).values_at(*order).map { |face| "f #{face}" }].join("\n")
  end

  it "finds nothing on a box that looks outwards" do
    assert_empty wrong.call(obj.call([]))
  end

  it "finds what is turned, whatever its number, also if it is most of a closed box" do
    [[2], [0, 5], [0, 1, 2, 3], (0..5).to_a].each { |turned| assert_equal turned, wrong.call(obj.call(turned)) }
  end

  it "does not go by the order of faces" do
    order = [4, 2, 0, 5, 1, 3]

    assert_equal [1, 3].map { |face| order.index(face) }.sort, wrong.call(obj.call([1, 3], order))
  end

  it "lets the larger area of an open surface decide" do
    strip = ["v 0 0 0", "v 1 0 0", "v 1 1 0", "v 0 1 0", "v 4 0 0", "v 4 1 0"]

    assert_equal [0], wrong.call([*strip, "f 4 3 2 1", "f 2 5 6 3"].join("\n"))
    assert_equal [0], wrong.call([*strip, "f 1 2 3 4", "f 3 6 5 2"].join("\n"))
  end
end
