# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::Wrap do
  flatten = SheetTrace::Flatten
  wrap = ->(mesh) { flatten::Pieces.call(mesh, method: "wrap", seams: flatten::Seams.none(mesh)) }

  # A tin's side is 2 pi r by h (handbook development); 48 flat sides keep the way round on the circle.
  it "wraps an open band once round, its seam at the back, its height kept" do
    mesh = SheetTrace::Solids.build("cylinder", { diameter_mm: 50.0, height_mm: 80.0, sides: 48 }).mesh
    pieces = wrap.call(mesh)
    sizes =
      (0...pieces.cut.piece_count).map do |index|
        pieces.cut.piece(index).then { |shape| [shape, pieces.places[shape.points, true]] }
      end
    band, places = sizes.max_by { |shape, _| shape.faces.size }
    width, height = (places.max(axis: 0) - places.min(axis: 0)).to_a

    assert_equal [3, 0], [pieces.cut.piece_count, pieces.turned] # the band and two lids
    assert_in_delta 2 * Math::PI * 25, width, 1e-6
    assert_in_delta 80, height, 1e-9
    assert_equal [-25.0],
                 band.positions[places[true, 0].abs.gt((width / 2) - 1e-6).where, 2].to_a.map { |z| z.round(6) }.uniq
  end

  # 8 x 4 across: seen from the middle, sides to the left and right take up atan(2 / 4) twice, each.
  it "wraps a band of four faces, of which one lies across the back" do
    mesh = Models.read(<<~OBJ).mesh
      v -4 0 2\nv 4 0 2\nv 4 0 -2\nv -4 0 -2\nv -4 9 2\nv 4 9 2\nv 4 9 -2\nv -4 9 -2
      f 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf 4 1 5 8
    OBJ
    pieces = wrap.call(mesh)
    across = pieces.places[true, 0].to_a.map { |x| x.round(6) }.uniq.sort
    radius = Math.sqrt(20)

    assert_equal [1, 0, 5], [pieces.cut.piece_count, pieces.turned, across.size]
    assert_in_delta 2 * Math::PI * radius, across.last - across.first, 1e-6
    assert_in_delta 2 * Math.atan(2 / 4.0) * radius, across.each_cons(2).map { |a, b| b - a }.min, 1e-6
  end

  # Snyder 1987, chapter 12: meridians and parallels of the equidistant cylindrical projection are equally spaced
  # straight lines.
  it "lays a ball out with equally spaced meridians and parallels" do
    mesh = SheetTrace::Solids.build("ball", { sides: 16 }).mesh
    pieces = wrap.call(mesh)
    shape = pieces.cut.piece(0)
    places = pieces.places[shape.points, true]
    middle = mesh.bounds.transpose[1].sum / 2
    radius = (mesh.bounds[1][1] - mesh.bounds[0][1]) / 2
    rows = places[true, 1].to_a.map { |y| y.round(6) }.uniq.sort
    steps = rows.each_cons(2).map { |a, b| b - a }

    assert_equal [1, 0], [pieces.cut.piece_count, pieces.turned]
    assert_in_delta steps.min, steps.max, 1e-5
    shape
      .positions
      .to_a
      .zip(places.to_a)
      .each do |(x, y, z), (across, up)|
        next if Math.hypot(x, z) < 1e-6

        scale = places[true, 1].max / (Math::PI / 2)

        assert_in_delta Math.asin((y - middle) / radius), up / scale, 1e-6
        assert_in_delta 0, Math.sin(Math.atan2(x, z) - (across / scale)), 1e-6
      end
  end

  it "wraps each part about its own middle" do
    points, faces = Models.ball(8, 12, 20).lines.partition { |line| line.start_with?("v") }
    aside = points.map { |line| line.sub(/^v (\S+)/) { "v #{Regexp.last_match(1).to_f + 100}" } }
    further = faces.map { |line| line.gsub(/\d+/) { |number| (number.to_i + points.size).to_s } }
    both = Models.read([*points, *aside, *faces.map { |line| "#{line.strip}\n" }, *further].join).mesh
    pieces = wrap.call(both)
    halves =
      (0...2).map do |index|
        pieces
          .cut
          .piece(index)
          .then { |shape| pieces.places[shape.points, true].to_a.map { |place| place.map { |x| x.round(6) } }.sort }
      end

    assert_equal 2, pieces.cut.piece_count
    halves[0].zip(halves[1]) { |a, b| a.zip(b) { |p, q| assert_in_delta p, q, 1e-4 } }
  end
end
