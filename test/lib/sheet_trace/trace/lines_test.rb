# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Trace::Lines do
  define_method(:sheet) { |side, height = side| SheetTrace::Layout::Sheet.new(width_px: side, height_px: height) }
  define_method(:template) do |obj, side, **options|
    SheetTrace::Trace::Template.call(Models.job(obj).layout, size: sheet(side), **options)
  end
  define_method(:inked) do |scene|
    image = scene.to_image(hard: true)
    Numo::UInt8.from_binary(image.extract_band(3).write_to_memory).reshape(image.height, image.width).gt(0)
  end

  # By arithmetic: a panel from UV (0.1, 0.1) to (0.5, 0.7); a line of 1 px on a place that is a px boundary takes one
  # px, on either side of it.
  it "draws axis-aligned islands in hard pixels exactly where arithmetic has them, at every size" do
    [64, 128, 512, 2048].each do |side|
      ink = inked(template(Models.panel, side, color: "#000000"))
      rows, columns = [ink.any?(axis: 1).where.to_a, ink.any?(axis: 0).where.to_a]
      wanted = [[0.3, 0.9], [0.1, 0.5]].map { |ends| ends.map { |share| share * side } }

      [rows, columns].zip(wanted) do |places, (from, to)|
        assert_in_delta from, places.min + 0.5, 1.0
        assert_in_delta to, places.max + 0.5, 1.0
      end
      # Nothing but four sides of one px.
      around = 2 * (rows.size + columns.size)

      assert_in_delta around, ink.count_true, 6
    end
  end

  it "keeps lines of one px 8-connected from end to end, whatever their slope" do
    random = Random.new(4)
    3.times do |shape|
      corners = [
        [0.1, 0.1],
        [0.5 + random.rand(0.4), 0.1 + random.rand(0.2)],
        [0.9 - random.rand(0.3), 0.9],
        [0.1, 0.4 + random.rand(0.4)]
      ]
      [64, 256, 1024, *(8192 if shape.zero?)].each do |side|
        ink = inked(template(Models.panel(uvs: corners), side, color: "#000000"))
        texels = ink.where.to_a.to_h { |texel| [texel, true] }
        queue = [texels.keys.first]
        seen = { queue.first => true }
        queue.each do |texel|
          y, x = texel.divmod(side)
          [-1, 0, 1].product([-1, 0, 1])
            .each do |down, right|
              other = ((y + down) * side) + x + right
              next if seen[other] || !texels[other]

              seen[other] = true
              queue << other
            end
        end

        assert_equal texels.size, seen.size, "side #{side}"
      end
    end
  end

  it "draws rims, seams and inner edges each in its own way, or not at all" do
    net = operate(Models.job(Demo::TeaCaddy.obj), "lay_flat", by: "best").job
    draw = ->(**options) { SheetTrace::Trace::Template.call(net.layout, size: sheet(512), **options).items }
    widths = ->(items) { items.to_h { |item| [item.line_px, item.segments.shape[0]] } }
    # A closed box: a net of six panels has 14 sides on its outline, each a seam, and 5 folds.
    found = draw.call(seam_px: 3.0, inner_px: 2.0, seam_color: "#ff0000", inner_dash: "dashed")

    assert_equal({ 3.0 => 14, 2.0 => 5 }, widths.call(found))
    assert_equal [1.0, 0.0, 0.0], found.max_by(&:line_px).color.to_a
    assert_equal [12.0, 8.0], found.min_by(&:line_px).dash_px
    assert_equal [14], draw.call(edges: "outline").map { |item| item.segments.shape[0] }
    assert_equal [5], draw.call(seam_dash: "hidden").map { |item| item.segments.shape[0] }
    # An open panel has rims alone.
    assert_empty SheetTrace::Trace::Template.call(
                   Models.job(Models.panel).layout,
                   size: sheet(64),
                   dash: "hidden"
                 ).items
  end

  it "leaves out the diagonals of flat four-sided faces of a model of triangles, and no other edge" do
    quads = "v 0 0 0\nv 3 0 0\nv 6 0 0\nv 0 2 0\nv 3 2 0\nv 6 2 0\n"
    uvs = "vt 0 0\nvt 0.5 0\nvt 1 0\nvt 0 0.5\nvt 0.5 0.5\nvt 1 0.5\n"
    faces = [[1, 2, 5], [1, 5, 4], [2, 3, 6], [2, 6, 5]].map { |own| "f #{own.map { |k| "#{k}/#{k}" }.join(" ")}" }
    obj = quads + uvs + faces.join("\n")

    assert_equal 9, template(obj, 64).segments.shape[0]
    assert_equal 7, template(obj, 64, diagonals: false).segments.shape[0]
  end
end
