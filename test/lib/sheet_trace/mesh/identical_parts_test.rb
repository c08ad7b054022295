# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::IdenticalParts do
  # A wedge with nothing symmetric about it.
  places = [[0, 0, 0], [4, 0, 0], [0, 3, 0], [0, 0, 2], [3, 2, 5]]
  faces = [[1, 3, 2], [1, 2, 4], [1, 4, 3], [2, 3, 5], [2, 5, 4], [3, 4, 5]]
  part =
    lambda do |name, i, change = ->(place) { place }|
      [
        "o #{name}",
        *places.map { |place| "v #{change.call(place).join(" ")}" },
        *faces.map { |face| "f #{face.map { |corner| corner + (i * places.size) }.join(" ")}" }
      ]
    end
  found = ->(*parts) { SheetTrace::Mesh::IdenticalParts.call(Models.read(parts.flatten.join("\n")).mesh) }
  turned = ->((x, y, z)) { [100 - y, x + 7, z - 3] } # a quarter turn, and a move
  mirrored = ->((x, y, z)) { [-x, y, z] }
  larger = ->((x, y, z)) { [x * 1.01, y * 1.01, z * 1.01] }

  it "knows a part again that was moved and turned" do
    assert_equal [[0, 1]], found.call(part.call("a", 0), part.call("b", 1, turned))
  end

  it "tells mirror images and other sizes apart" do
    assert_empty found.call(part.call("a", 0), part.call("b", 1, mirrored))
    assert_empty found.call(part.call("a", 0), part.call("b", 1, larger))
  end

  it "parts several kinds in the order of the file" do
    kinds = [nil, mirrored, turned, ->(place) { mirrored.call(turned.call(place)) }]
    parts = kinds.each_with_index.map { |change, i| part.call("p#{i}", i, *[change].compact) }

    assert_equal [[0, 2], [1, 3]], found.call(*parts)
  end

  it "takes flat parts for the same on either side, as they have none" do
    flat = ->((x, y, _z)) { [x, y, 0] }

    assert_equal [[0, 1]],
                 found.call(part.call("a", 0, flat), part.call("b", 1, ->(place) { mirrored.call(flat.call(place)) }))
  end
end
