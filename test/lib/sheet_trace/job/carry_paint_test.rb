# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::CarryPaint do
  sheet = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
  chart = SheetTrace::Artwork::TestChart.call(sheet, density_px_per_mm: 2.0, lettered: true)
  bytes = chart.write_to_buffer(".png")

  # Vertices, UVs and faces with corners [vertex, uv], from 1, of the caddy.
  read =
    lambda do
      lines = Demo::TeaCaddy.obj.lines.map(&:split)
      numbers = ->(word) { lines.select { |line| line[0] == word }.map { |line| line.drop(1).map(&:to_f) } }
      faces =
        lines
          .select { |line| line[0] == "f" }
          .map { |line| line.drop(1).map { |corner| corner.split("/").first(2).map(&:to_i) } }
      [numbers.call("v"), numbers.call("vt"), faces]
    end
  write =
    lambda do |vertices, uvs, faces|
      lines = vertices.map { |own| "v #{own.join(" ")}" } + uvs.map { |own| "vt #{own.join(" ")}" }
      (lines + faces.map { |face| "f #{face.map { |corner| corner.join("/") }.join(" ")}" }).join("\n")
    end
  reading = ->(obj) { SheetTrace::Formats.read_files({ "model.obj" => obj }) }
  original = reading.call(Demo::TeaCaddy.obj)

  define_method(:carried) do |obj, size: sheet|
    SheetTrace::Job::CarryPaint.call(original, bytes, reading.call(obj), size: size)
  end

  # Differences at many places of the surface, by the corners of the OBJ files alone.
  define_method(:differences) do |before, after, image|
    texels = [chart, image].map { |own| SheetTrace::Artwork::Picture.pixels(own) }
    random = Random.new(3)
    before[2]
      .zip(after[2])
      .flat_map do |face, now|
        Array
          .new(60) do
            a, b = [random.rand, random.rand].then { |pair| pair.sum > 1 ? pair.map { |share| 1 - share } : pair }
            shares = [1 - a - b, a, b]
            next if shares.min < 0.05

            colors =
              [[before[1], face], [after[1], now]].zip(texels)
                .map do |(uvs, corners), own|
                  u, v =
                    uvs
                      .values_at(*corners.first(3).map { |corner| corner[1] - 1 })
                      .transpose
                      .map { |all| all.zip(shares).sum { |x, w| x * w } }
                  Numo::DFloat.cast(own[((1 - v) * own.shape[0]).floor, (u * own.shape[1]).floor, true])
                end
            (colors[0] - colors[1]).abs.max
          end
          .compact
      end
  end

  it "changes no texel where islands lie elsewhere by whole px" do
    vertices, uvs, faces = read.call
    moved = uvs.map { |u, v| [u + (6.0 / 512), v - (11.0 / 512)] }
    result = carried(write.call(vertices, moved, faces))

    assert_equal 0, differences([vertices, uvs, faces], [vertices, moved, faces], result.image).max
    assert_equal [6, []], [result.matched, result.unmatched]
  end

  it "finds faces in any order, from any corner, of triangles, and moved a little" do
    vertices, uvs, faces = read.call
    changes = {
      "shuffled" => [vertices, faces.shuffle(random: Random.new(1))],
      "from another corner" => [vertices, faces.map { |face| face.rotate(2) }],
      "of triangles" => [vertices, faces.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] }],
      "moved a little" => [vertices.map { |place| place.map { |value| value + (0.0004 * value) } }, faces]
    }
    changes.each do |what, (places, own)|
      result = carried(write.call(places, uvs, own))
      off =
        (
          SheetTrace::Artwork::Picture.pixels(result.image).cast_to(Numo::Int32) -
            SheetTrace::Artwork::Picture.pixels(chart).cast_to(Numo::Int32)
        ).abs
      inside = SheetTrace::Artwork::Picture.pixels(result.image)[true, true, 3].eq(255)

      assert_equal [own.size, []], [result.matched, result.unmatched], what
      assert_operator off[true, true, 0][inside.where].mean, :<, 4, what
      assert_operator inside.count, :>, 0.5 * 512 * 512, what
    end
  end

  it "tells faces that are new, and refuses a model with nothing in common" do
    vertices, uvs, faces = read.call
    far = vertices + [[500, 0, 0], [510, 0, 0], [510, 10, 0]]
    added = faces + [[[vertices.size + 1, 1], [vertices.size + 2, 2], [vertices.size + 3, 3]]]

    assert_equal [6], carried(write.call(far, uvs, added)).unmatched
    error =
      assert_raises(SheetTrace::InputError) do
        carried(write.call(vertices.map { |place| place.map { |v| v + 9000 } }, uvs, faces))
      end

    assert_match(/nothing of the old model is found on the new one/, error.message)
  end

  it "writes at any size" do
    result = carried(Demo::TeaCaddy.obj, size: SheetTrace::Layout::Sheet.new(width_px: 300, height_px: 200))

    assert_equal [300, 200], [result.image.width, result.image.height]
  end
end
