# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Deliver do
  # A panel that covers the whole sheet of 32 px, with a picture of a certain alpha over it.
  delivered =
    lambda do |alpha, format|
      pixels = Numo::UInt8.new(32, 32, 4).fill(120)
      pixels[true, true, 3] = alpha
      png =
        Vips::Image.new_from_memory_copy(pixels.to_binary, 32, 32, 4, :uchar).copy(interpretation: :srgb).pngsave_buffer
      file = SheetTrace::Artwork::PictureFile.of_bytes(png, name: "a.png")
      job = Models.job(Models.panel(uvs: [[0, 0], [1, 0], [1, 1], [0, 1]]), width_px: 32, height_px: 32)
      job = job.with(artwork: SheetTrace::Artwork::Stack.new(layers: [Models.skin("a", file)]))
      SheetTrace::Job::Deliver.call(job, pictures: ->(_digest) { png }, base_name: "a", format: format)
    end
  holes = Numo::UInt8.new(32, 32).fill(255).tap { |alpha| alpha[8...16, 8...16] = 0 }
  soft = holes.copy.tap { |alpha| alpha[0, 0] = 128 }
  kinds = {
    Numo::UInt8.new(32, 32).fill(255) => nil,
    Numo::UInt8.zeros(32, 32) => nil,
    holes => "MASK",
    soft => "BLEND"
  }

  # glTF 2.0, 3.9.4 Alpha coverage.
  it "says in glTF whether the alpha leaves out or blends" do
    kinds.each do |alpha, mode|
      json = JSON.parse(delivered.call(alpha, "glb")["a.glb"].byteslice(20..)[/\A\{.*?\}(?=\s*\x00*.{4}BIN)/m] || "{}")
      mode ? assert_equal(mode, json["materials"][0]["alphaMode"]) : assert_nil(json["materials"][0]["alphaMode"])
    end
  end

  # MTL material format, map_d: the picture's scalar scales what the material dissolves.
  it "says in MTL and COLLADA that the alpha counts, where some of it is seen" do
    kinds.each do |alpha, mode|
      assert_equal !mode.nil?, delivered.call(alpha, "obj")["a.mtl"].include?("map_d a.png")
      assert_equal !mode.nil?, delivered.call(alpha, "dae")["a.dae"].include?("<transparent opaque=\"A_ONE\">")
    end
  end

  describe "as a receiver wants it" do
    before do
      @job =
        operate(
          Models.job(Demo::TeaCaddy.obj),
          "add_layer",
          id: "fill",
          content: {
            kind: "fill",
            color: "#2f5a45"
          },
          islands: [0, 1]
        ).job
      @job = operate(@job, "add_edition", name: "Plum & co").job
      @job = operate(@job, "replace_in_edition", id: "fill", content: { kind: "fill", color: "#7b3f72" }).job
      @job = operate(@job, "show_edition", edition: 0).job
    end

    define_method(:deliver) do |**options|
      SheetTrace::Job::Deliver.call(
        @job,
        pictures: nil,
        base_name: "caddy",
        size: SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256),
        **options
      )
    end
    define_method(:image) { |bytes| Vips::Image.new_from_buffer(bytes, "") }

    it "writes every edition under its own name, and never two files of one" do
      files = deliver(editions: [0, 1], image: "tif")

      assert_equal %w[caddy-First-edition caddy-Plum-co].flat_map { |base|
                     %w[mtl obj tif].map { |ending| "#{base}.#{ending}" }
                   },
                   files.keys.sort
      assert_equal [[47, 90, 69, 255], [123, 63, 114, 255]],
                   files
                     .values_at("caddy-First-edition.tif", "caddy-Plum-co.tif")
                     .map { |bytes| image(bytes).getpoint(20, 20) }
      assert_includes files["caddy-Plum-co.mtl"], "map_Kd caddy-Plum-co.tif"
    end

    it "drops alpha on a colour, or puts it apart; leaves the bleed out" do
      dropped = image(deliver(alpha: "drop", ground: "#102030")["caddy.png"])

      assert_equal [3, [16, 32, 48]], [dropped.bands, dropped.getpoint(255, 255)]
      apart = deliver(alpha: "apart")

      assert_equal [255, 0], [[20, 20], [255, 255]].map { |place| image(apart["caddy-alpha.png"]).getpoint(*place)[0] }
      covered = ->(files) { (image(files["caddy.png"])[3] > 0).avg }

      assert_operator covered.call(deliver), :>, covered.call(deliver(bleed: false))
    end

    it "gives a part of a texture as the whole has it, with the bleed or without, and none beside it" do
      size = SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256)
      part =
        lambda do |box, bleed|
          options = { pictures: nil, size: size, edition: 1, bleed: bleed }
          SheetTrace::Job::Deliver.part(@job, SheetTrace::Artwork::Box.new(*box), **options)
        end
      [true, false].each do |bleed|
        whole = image(deliver(editions: [1], bleed: bleed)["caddy.png"])

        assert_equal whole.crop(10, 120, 200, 90).write_to_memory, part.call([10, 120, 200, 90], bleed).to_binary
      end
      [[0, 0, 257, 10], [-1, 0, 9, 9], [10, 10, 0, 5]].each do |box|
        assert_refused(SheetTrace::InputError, { part: box }) { part.call(box, true) }
      end
    end

    it "writes pictures of the layout beside it" do
      files = deliver(companions: %w[ids position], manifest: true)

      assert_equal %w[caddy-layout-ids.png caddy-layout-position.png], files.keys.grep(/layout/)
      assert_equal [1, 3],
                   files
                     .values_at("caddy-layout-ids.png", "caddy-layout-position.png")
                     .map { |bytes| image(bytes).bands }
      assert_match(/caddy-layout-ids\.png  a grey of its own/, files["caddy-files.txt"])
    end

    it "turns and scales the model, joins materials, and lists what each file is" do
      vertices = ->(files) { files["caddy.obj"].scan(/^v (.+)$/).map { |(own)| own.split.map(&:to_f) } }
      plain = vertices.call(deliver)
      turned = vertices.call(deliver(up: "z", unit: "cm"))
      plain.zip(turned) { |(x, y, z), own| [x / 10, -z / 10, y / 10].zip(own) { |a, b| assert_in_delta a, b, 1e-6 } }
      files = deliver(one_material: true, manifest: true)

      assert_equal 1, files["caddy.mtl"].scan("newmtl").size
      assert_match(/caddy\.obj  model, \d+ kB\n.*caddy\.png  colour/m, files["caddy-files.txt"])
      assert_equal %w[caddy.png], deliver(format: "none").keys
      assert_equal %w[caddy.glb], deliver(format: "glb").keys
    end
  end

  # Three blocks, two of them delivered: what is brought in again has their faces, UVs and names alone.
  it "delivers picked parts alone, in every format, with the texture of the whole sheet" do
    job = Models.job(Models.blocks([[[0, 0, 0], [4, 5, 6]], [[20, 0, 0], [7, 3, 2]], [[40, 0, 0], [1, 2, 3]]]))
    job = operate(operate(job, "lay_flat").job, "pack").job
    uvs = ->(reading) do
      reading.uv_sets.first.then do |set|
        set.uvs[set.corner_uvs, true].to_a.map { |uv| uv.map { |value| value.round(5) } }.sort
      end
    end
    whole =
      SheetTrace::Formats.read_files(SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "a", format: "ply"))
    %w[obj glb gltf dae ply].each do |format|
      files = SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "a", format: format, parts: [2, "block 0"])
      read = SheetTrace::Formats.read_files(files)

      assert_equal 12, read.mesh.triangulation.count / 2, format
      assert_equal ["block 0", "block 2"], read.mesh.parts.sort, format unless format == "ply"

      assert_in_delta 40.5, read.mesh.bounds[1][0] * (read.unit_mm || 1), 1e-3
      assert_empty uvs.call(read).uniq - uvs.call(whole), format unless format == "obj"
    end
    assert_refused(SheetTrace::InputError, message: /no part "none"/) do
      SheetTrace::Job::Deliver.call(job, pictures: nil, parts: ["none"])
    end
  end

  # One block at 3, 5, 7: right, up, to the front.
  it "turns the model into the axes that are wanted, every face looking outwards still" do
    job = Models.job(Models.blocks([[[3, 5, 7], [1, 1, 1]]]))
    job = operate(job, "lay_flat").job
    middle = ->(read) { read.mesh.bounds.transpose.map { |low, high| ((low + high) / 2).round(6) } }
    {
      {} => [3, 5, 7],
      { up: "z" } => [3, -7, 5],
      { front: "x" } => [7, 5, -3],
      { front: "-z" } => [-3, 5, -7],
      { front: "-x", up: "z" } => [-7, -3, 5],
      { left_handed: true } => [-3, 5, 7]
    }.each do |axes, place|
      read = SheetTrace::Formats.read_files(SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "a", **axes))
      outwards =
        read.mesh.face_area_vectors *
          (read.mesh.positions[read.mesh.corner_vertices[read.mesh.face_starts[0...-1]], true] - Numo::DFloat[place])

      assert_equal place.map(&:to_f), middle.call(read), axes.inspect
      assert_operator outwards.sum(axis: 1).min, :>, 0, axes.inspect
    end
  end

  it "turns normals with the model" do
    job = operate(Models.job("s 1\n#{Models.blocks([[[3, 5, 7], [1, 1, 1]]])}"), "lay_flat").job
    [{}, { up: "z" }, { front: "-x", up: "z" }, { left_handed: true }].each do |axes|
      mesh =
        SheetTrace::Formats.read_files(SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "a", **axes)).mesh
      out = SheetTrace::Geometry::Vectors.unit(mesh.face_area_vectors)[mesh.corner_faces, true]

      # A corner of a block: its normal is as far from each of the three faces.
      assert_in_delta 1 / Math.sqrt(3), (mesh.corner_normals * out).sum(axis: 1).min, 1e-6, axes.inspect
    end
  end

  it "writes 16 bits a channel where the format has them, each value as it was" do
    job =
      operate(
        Models.job(Models.panel, width_px: 64, height_px: 64),
        "add_layer",
        content: {
          kind: "fill",
          color: "#205080"
        }
      ).job
    { "png" => :ushort, "tif" => :ushort, "tga" => nil }.each do |image, format|
      bytes =
        SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "a", format: "none", image: image, deep: true)[
          "a.#{image}"
        ]
      next unless format

      read = Vips::Image.new_from_buffer(bytes, "")

      assert_equal [format, [0x2020, 0x5050, 0x8080, 0xffff]], [read.format, read.getpoint(20, 40).map(&:to_i)]
    end
  end
end
