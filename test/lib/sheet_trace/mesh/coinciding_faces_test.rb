# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::CoincidingFaces do
  found = ->(obj) { SheetTrace::Mesh::CoincidingFaces.call(Models.read(obj).mesh) }
  square = %w[0,0,0 10,0,0 10,10,0 0,10,0].map { |place| "v #{place.tr(",", " ")}" }

  it "finds faces on the same places, whichever way they look, and on vertices of their own" do
    again = square.rotate(2)

    assert_equal [[0, 1]], found.call([*square, "f 1 2 3 4", "f 4 3 2 1"].join("\n"))
    assert_equal [[0, 1]], found.call([*square, *again, "f 1 2 3 4", "f 5 8 7 6"].join("\n"))
  end

  it "takes faces that share some places only for different" do
    assert_empty found.call([*square, "f 1 2 3", "f 1 3 4", "f 1 2 3 4"].join("\n"))
  end

  it "goes by the model's size, in any unit" do
    [1e-4, 1.0, 1e4].each do |unit|
      near =
        [0.0, 1e-8, 1e-3].map do |off|
          places = [[0, 0], [10, 0], [10, 10], [0, 10]]
          rows = [0, off].flat_map { |z| places.map { |x, y| "v #{x * unit} #{y * unit} #{z * 10 * unit}" } }
          found.call([*rows, "f 1 2 3 4", "f 5 6 7 8"].join("\n")).size
        end

      assert_equal [1, 1, 0], near
    end
  end
end
