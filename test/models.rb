# frozen_string_literal: true

# Small models made by script, as OBJ text and as jobs.
module Models
  module_function

  def read(obj, name: "model.obj") = SheetTrace::Formats.read(obj, name: name)

  def job(obj, width_px: 1024, height_px: 1024, unit_mm: 1.0)
    SheetTrace::Job.start(
      read(obj),
      source_name: "model.obj",
      sheet: SheetTrace::Layout::Sheet.new(width_px: width_px, height_px: height_px),
      unit_mm: unit_mm
    )
  end

  def map(obj)
    read(obj).then do |reading|
      SheetTrace::UvMap::Build.call(reading.mesh, reading.uvs, reading.corner_uvs, reading.face_mapped)
    end
  end

  # A picture that is known by its size alone, or a font.
  #
  # @param name [String] such as "100x50"
  # @return [SheetTrace::Artwork::PictureFile, nil]
  def picture(name)
    return font_file if name == "harbour.ttf"

    name = name.delete_suffix(".png")
    width, height = name.split("x").map(&:to_i)
    return unless height
    SheetTrace::Artwork::PictureFile.new(digest: name, name: "#{name}.png", width_px: width, height_px: height)
  end

  # A font that ships along, as if it were brought in.
  def font_file
    bytes = File.binread(File.join(SheetTrace::Drawing::FONTS, "pacifico-regular.ttf"))
    SheetTrace::Artwork::FontFile.of_bytes(bytes, name: "harbour.ttf")
  end

  # A layer over the whole sheet.
  def skin(name, picture, material: nil, **look)
    art = SheetTrace::Artwork
    art::Layer.new(
      id: name,
      name: name,
      content: art::Contents::Picture.new(picture: picture),
      place: art::Places::OnSheet.new,
      look: art::Look.new(mask: art::Mask.new(materials: material && [material]), **look)
    )
  end

  # The wall of a truncated cone about the y axis, open above and below, its map a rectangle cut at the back.
  def cone(low:, high:, height:, sides: 96, turned: false)
    rims =
      [[low, 0.0], [high, height]].map do |radius, y|
        (0..sides)
          .map { |i| ((i.fdiv(sides) * 2) - 1) * Math::PI }
          .map { |a| [radius * Math.sin(a), turned ? height - y : y, radius * Math.cos(a)] }
      end
    rims.reverse! if turned
    uvs = [0.05, 0.95].flat_map { |v| (0..sides).map { |i| [0.05 + (0.9 * i / sides), v] } }
    faces = (1..sides).map { |i| [i, i + 1, i + sides + 2, i + sides + 1] }
    [
      *rims.flatten(1).map { |place| "v #{place.join(" ")}" },
      *uvs.map { |uv| "vt #{uv.join(" ")}" },
      *faces.map { |face| "f #{face.map { |k| "#{k}/#{k}" }.join(" ")}" }
    ].join("\n")
  end

  # One upright panel that faces the front: corners lower left, lower right, upper right, upper left.
  def panel(width: 80, height: 120, uvs: [[0.1, 0.1], [0.5, 0.1], [0.5, 0.7], [0.1, 0.7]])
    corners = [[0, 0], [width, 0], [width, height], [0, height]]
    [*corners.map { |x, y| "v #{x} #{y} 0" }, *uvs.map { |u, v| "vt #{u} #{v}" }, "f 1/1 2/2 3/3 4/4"].join("\n")
  end

  # Boxes, each a part of its own, without UVs.
  #
  # @param boxes [Array<Array(Array, Array)>] the middle and the size of each: x, y, z
  # @param order [Array<Integer>] of the faces of each
  def blocks(boxes, order: (0..5).to_a)
    quads = [[1, 2, 4, 3], [5, 7, 8, 6], [1, 5, 6, 2], [3, 4, 8, 7], [1, 3, 7, 5], [2, 6, 8, 4]]
    boxes
      .each_with_index
      .flat_map do |(middle, size), i|
        ends = [-0.5, 0.5].product([-0.5, 0.5], [-0.5, 0.5])
        points = ends.map { |end_of| "v #{end_of.each_index.map { |k| middle[k] + (end_of[k] * size[k]) }.join(" ")}" }
        faces = quads.values_at(*order).map { |quad| "f #{quad.map { |k| k + (8 * i) }.join(" ")}" }
        ["o block #{i}", *points, *faces]
      end
      .join("\n")
  end

  # A wall of 5 x 3 fields of 8 x 10, 2 thick, some of them left open.
  #
  # @param open [Array<Array(Integer, Integer)>] column and row of these
  def wall(open)
    numbers = {}
    number = ->(x, y, z) { numbers[[x, y, z]] ||= numbers.size + 1 }
    gone = ->(i, j) { !i.between?(0, 4) || !j.between?(0, 2) || open.include?([i, j]) }
    faces =
      (0..4)
        .to_a
        .product((0..2).to_a)
        .reject { |i, j| gone.call(i, j) }
        .flat_map do |i, j|
          left, right, low, high = [i * 8, (i + 1) * 8, j * 10, (j + 1) * 10]
          {
            nil => [[left, low, 1], [right, low, 1], [right, high, 1], [left, high, 1]],
            0 => [[left, high, -1], [right, high, -1], [right, low, -1], [left, low, -1]],
            [i - 1, j] => [[left, low, -1], [left, low, 1], [left, high, 1], [left, high, -1]],
            [i + 1, j] => [[right, low, 1], [right, low, -1], [right, high, -1], [right, high, 1]],
            [i, j - 1] => [[left, low, -1], [right, low, -1], [right, low, 1], [left, low, 1]],
            [i, j + 1] => [[left, high, 1], [right, high, 1], [right, high, -1], [left, high, -1]]
          }.select { |beside, _| !beside.is_a?(Array) || gone.call(*beside) }.values
        end
    numbered = faces.map { |corners| "f #{corners.map { |place| number.call(*place) }.join(" ")}" }
    [*numbers.keys.map { |place| "v #{place.join(" ")}" }, *numbered].join("\n")
  end

  # A third of a cylinder's side, with a window.
  def bent_wall
    points =
      (0..12)
        .to_a
        .product((0..6).to_a)
        .map { |i, j| (-1 + (i / 6.0)).then { |a| "v #{30 * Math.sin(a)} #{j * 5} #{30 * Math.cos(a)}" } }
    faces =
      (0...12)
        .to_a
        .product((0...6).to_a)
        .reject { |i, j| i.between?(4, 6) && j.between?(2, 3) }
        .map { |i, j| ((i * 7) + j + 1).then { |a| "f #{a} #{a + 7} #{a + 8} #{a + 1}" } }
    [*points, *faces].join("\n")
  end

  # An open band round the y axis, n flat sides, its seam at the back, its outside out; the UVs fill the sheet.
  def band(n, radius: 20.0, height: 50.0, top_radius: radius)
    rows =
      (0..n).flat_map do |i|
        angle = Math::PI + (2 * Math::PI * i / n)
        [[radius, 0], [top_radius, height]].map { |r, y| "v #{r * Math.sin(angle)} #{y} #{r * Math.cos(angle)}" }
      end
    uvs = (0..n).flat_map { |i| [0, 1].map { |v| "vt #{i.fdiv(n)} #{v}" } }
    faces = Array.new(n) { |i| "f #{[1, 3, 4, 2].map { |k| "#{(2 * i) + k}/#{(2 * i) + k}" }.join(" ")}" }
    [*rows, *uvs, *faces].join("\n")
  end

  # A ball of quadrilaterals and, at its poles, triangles; each row one strip of UV.
  def ball(rows, columns, radius)
    points =
      (0..rows)
        .to_a
        .product((0...columns).to_a)
        .map do |i, j|
          polar = Math::PI * i / rows
          around = 2 * Math::PI * j / columns
          "v #{radius * Math.sin(polar) * Math.sin(around)} #{radius * Math.cos(polar)} " \
            "#{radius * Math.sin(polar) * Math.cos(around)}"
        end
    faces =
      (0...rows)
        .to_a
        .product((0...columns).to_a)
        .map do |i, j|
          right = (j + 1) % columns
          corners = [[i, j], [i + 1, j], [i + 1, right], [i, right]]
          corners.delete_at(3) if i.zero?
          corners.delete_at(2) if i == rows - 1
          "f #{corners.map { |row, column| (row * columns) + column + 1 }.join(" ")}"
        end
    [*points, *faces].join("\n")
  end
end
