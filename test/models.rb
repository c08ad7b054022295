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

  # A picture that is known by its size alone.
  #
  # @param name [String] such as "100x50"
  # @return [SheetTrace::Artwork::PictureFile, nil]
  def picture(name)
    width, height = name.split("x").map(&:to_i)
    return unless height
    SheetTrace::Artwork::PictureFile.new(digest: name, name: "#{name}.png", width_px: width, height_px: height)
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

  # One upright panel that faces the front: corners lower left, lower right, upper right, upper left.
  def panel(width: 80, height: 120, uvs: [[0.1, 0.1], [0.5, 0.1], [0.5, 0.7], [0.1, 0.7]])
    corners = [[0, 0], [width, 0], [width, height], [0, height]]
    [*corners.map { |x, y| "v #{x} #{y} 0" }, *uvs.map { |u, v| "vt #{u} #{v}" }, "f 1/1 2/2 3/3 4/4"].join("\n")
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
