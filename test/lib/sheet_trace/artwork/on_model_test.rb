# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

# What is looked at is the surface: a point of each face has a colour on the sheet as it was painted, and must have it
# on the sheet as it is now.
describe SheetTrace::Artwork::Places::OnModel do
  # Bytes of any kind, opaque.
  noise =
    lambda do |width, height|
      Random
        .new(3)
        .bytes(width * height * 3)
        .then do |bytes|
          Vips::Image.new_from_memory_copy(bytes, width, height, 3, :uchar).bandjoin(255).copy(interpretation: :srgb)
        end
    end
  # Colours that change slowly over the sheet.
  smooth =
    lambda do |width, height|
      xy = Vips::Image.xyz(width, height)
      waves = [[0.031, 0.017], [0.011, 0.043], [0.023, -0.029]]
      bands = waves.map { |a, b| ((((xy[0] * a) + (xy[1] * b)) * (180 / Math::PI)).math(:sin) * 100) + 128 }
      bands[0].bandjoin(bands[1..]).cast(:uchar).bandjoin(255).copy(interpretation: :srgb)
    end

  define_method(:skinned) do |job, size|
    job = operate(job, "set_bleed", bleed_px: 0).job
    job = operate(job, "add_layer", id: "skin", content: { kind: "picture", picture: size.join("x") }).job
    operate(job, "hold_skin", id: "skin", to: "model").job
  end

  define_method(:composed) do |job, image|
    sheet =
      SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: ->(_) { image.write_to_buffer(".png") }))
    Numo::UInt8.from_binary(sheet.write_to_memory).reshape(sheet.height, sheet.width, 4)
  end

  # The sheet's colour at many places of the surface, by the nearest texel.
  define_method(:colours) do |job, pixels, per_face: 12|
    random = Random.new(8)
    map = job.layout.uv_map
    px = job.layout.points_px
    job
      .mesh
      .triangulation
      .corners
      .to_a
      .zip(job.mesh.triangulation.faces.to_a)
      .flat_map do |corners, face|
        Array.new(per_face) do
          a, b = [random.rand, random.rand].sort
          shares = [a, b - a, 1 - b].map { |share| (share * 0.8) + (0.2 / 3) }
          next unless map.face_mapped[face] == 1

          x, y =
            [0, 1].map do |axis|
              corners.zip(shares).sum { |corner, share| px[map.corner_points[corner], axis] * share }
            end
          pixels[y.floor, x.floor, true].to_a
        end
      end
  end

  let(:caddy) { Models.job(Demo::TeaCaddy.obj, width_px: 256, height_px: 256) }

  it "is the same to the byte where nothing moved, and where islands move by whole px" do
    image = noise.call(256, 256)
    job = skinned(caddy, [256, 256])
    before = composed(job, image)
    moved = operate(job, "transform_islands", islands: [0, 2], move_px: [3, 5]).job

    assert_equal colours(job, before), colours(moved, composed(moved, image)).tap { |all| refute_includes all, nil }
    sheet = Numo::UInt8.from_binary(image.write_to_memory).reshape(256, 256, 4)
    painted = before[true, true, 3].gt(0).where
    own, kept = [sheet, before].map { |pixels| pixels.reshape(256 * 256, 4)[painted, true] }

    assert_equal own, kept
  end

  it "shows the same on the model after turns, another size, another laying flat and smaller faces, within 4 levels" do
    image = smooth.call(256, 256)
    job = skinned(caddy, [256, 256])
    before = colours(job, composed(job, image))
    {
      "turned" => ["transform_islands", { islands: [0, 1], turn_rad: 0.3 }],
      "enlarged" => ["resize_sheet", { width_px: 431, height_px: 367 }],
      "packed" => ["pack", {}],
      "laid flat" => ["lay_flat", { by: "best" }]
    }.each do |what, (name, values)|
      after = operate(job, name, **values).job
      got = colours(after, composed(after, image))
      differences = before.zip(got).map { |a, b| a.zip(b).map { |p, q| (p - q).abs }.max }

      assert_operator differences.sum.fdiv(differences.size), :<, 4, what
      assert_equal [255], got.map(&:last).uniq, "#{what}: no texel is unpainted"
    end
  end

  it "goes along with smaller faces and another axis up" do
    image = smooth.call(256, 256)
    job = skinned(caddy, [256, 256])
    sum = ->(state) { composed(state, image).sum }
    finer = operate(job, "subdivide_faces", faces: [0, 1, 4]).job
    finer = operate(finer, "transform_islands", islands: [0], move_px: [2, 2]).job
    turned = operate(job, "set_up_axis", axis: "z").job

    assert_in_delta sum.call(job), sum.call(finer), sum.call(job) * 0.003
    assert_in_delta sum.call(job), sum.call(turned), sum.call(job) * 1e-6
  end

  it "goes back to the sheet, and keeps no layout that no skin asks for" do
    job = skinned(caddy, [256, 256])

    assert_equal %w[painted-1], job.painted_maps.map(&:name)
    assert_refused(SheetTrace::InvalidOperationError, message: /held to the model already/) do
      operate(job, "hold_skin", id: "skin", to: "model")
    end
    back = operate(job, "hold_skin", id: "skin", to: "sheet").job

    assert_empty back.painted_maps
    assert_equal SheetTrace::Artwork::Places::OnSheet.new, back.artwork.layer("skin").place
  end
end
