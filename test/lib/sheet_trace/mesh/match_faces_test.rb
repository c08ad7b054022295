# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Mesh::MatchFaces do
  # A sheet of 4 by 3 quads that rises to one side, as places of the corners of faces.
  quads =
    [*0..2].product([*0..3])
      .map do |row, column|
        [[0, 0], [1, 0], [1, 1], [0, 1]].map { |right, up| [column + right, row + up, 0.25 * (column + right)] }
      end

  # Of corners by face; each a vertex of its own, or places shared.
  mesh =
    lambda do |faces, shared: true|
      places = shared ? faces.flatten(1).uniq : faces.flatten(1)
      numbers = shared ? faces.flatten(1).map { |place| places.index(place) + 1 } : [*1..places.size]
      rows = faces.map { |face| ["f", *numbers.shift(face.size)] }
      Models.read([*places.map { |place| ["v", *place] }, *rows].map { |row| row.join(" ") }.join("\n")).mesh
    end

  match = ->(from, to, **options) { SheetTrace::Mesh::MatchFaces.call(from, to, **options).to_a }

  it "finds faces in any order, from any first corner, whether or not vertices are shared, far from the origin too" do
    random = Random.new(4)
    [0.0, -7.5, 4000.0].each do |off|
      moved = quads.map { |face| face.map { |place| place.map { |value| value + off } } }
      order = [*0...moved.size].shuffle(random: random)
      other = order.map { |face| moved[face].rotate(random.rand(4)) }

      assert_equal order, match.call(mesh.call(moved), mesh.call(other, shared: false))
    end
  end

  it "finds what faces were divided into, and faces that moved a little; none that turned away or lie elsewhere" do
    halves = quads.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] }
    near = quads.map { |face| face.map { |x, y, z| [x, y, z + 0.01] } }

    assert_equal [*0...12].flat_map { |face| [face, face] }, match.call(mesh.call(quads), mesh.call(halves))
    assert_equal [*0...12], match.call(mesh.call(quads), mesh.call(near))
    assert_equal [-1] * 12, match.call(mesh.call(quads), mesh.call(near), tolerance: 0.001)
    assert_equal [-1] * 12, match.call(mesh.call(quads), mesh.call(near.map(&:reverse)))
    assert_equal [-1] * 12,
                 match.call(mesh.call(quads), mesh.call(quads.map { |face| face.map { |x, y, z| [x, y, z + 5] } }))
  end

  it "tells faces apart that have corners in common" do
    a, b, c, d = quads.first
    from = mesh.call([[a, b, c], [a, c, d], [b, c, d]])

    assert_equal [2, 0, 1], match.call(from, mesh.call([[c, d, b], [c, a, b], [d, a, c]]))
  end
end
