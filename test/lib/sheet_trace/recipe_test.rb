# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/build"

describe SheetTrace::Recipe do
  caddy =
    lambda do |**more|
      {
        sheet: {
          width_px: 128,
          height_px: 128
        },
        pictures: {
          "wave" => "wave.png"
        },
        operations: [
          {
            name: "place_picture",
            parameters: {
              picture: "wave",
              island: "Front",
              width_mm: 60,
              y_mm: 4.5,
              turn_deg: 5
            }
          },
          { name: "add_layer", parameters: { content: { kind: "fill", color: "#2f5a45" }, islands: %w[Top Bottom] } }
        ],
        exports: [
          { kind: "texture", file: "caddy.png" },
          { kind: "model", file: "out/caddy.glb" },
          { kind: "trace", file: "trace.png", width_px: 64, height_px: 64 },
          { kind: "layout", file: "caddy-layout.json" }
        ],
        **more
      }
    end
  reading = ->(obj = Demo::TeaCaddy.obj) { SheetTrace::Formats.read(obj, name: "caddy.obj") }
  run =
    lambda do |plain, model = reading.call|
      SheetTrace::Recipe::Run.call(
        SheetTrace::Recipe.parse(JSON.generate(plain)),
        model,
        model_name: "caddy.obj",
        pictures: {
          "wave" => Demo::TeaCaddy.pictures["caddy-side.png"]
        }
      )
    end

  it "gives the same bytes when it is run twice" do
    first, second = Array.new(2) { run.call(caddy.call) }

    assert_equal %w[caddy.png out/caddy.glb trace.png caddy-layout.json], first.files.keys
    assert_equal first.files, second.files
    assert_equal ["wave set on Front, 60 x 144 mm", "Fill laid on Top, Bottom"], first.sentences
    # PNG 3rd edition, 11.2.1 IHDR: width and height; glTF 2.0, 4.4.2: the magic.
    assert_equal [[128, 128], [64, 64]], %w[caddy.png trace.png].map { |file| first.files[file].unpack("x16 N N") }
    assert_equal "glTF", first.files["out/caddy.glb"][0, 4]
  end

  it "stops with the number of the step and the reason where the model no longer agrees" do
    error =
      assert_refused(
        SheetTrace::InvalidOperationError,
        { step: 1 },
        message: /\Astep 1, place_picture: there is no island "Front"/
      ) { run.call(caddy.call, reading.call("v 0 0 0\nv 0 5 0\nv 0 5 5\nf 1 2 3\n")) }
    assert_equal "invalid_operation", error.code
    assert_refused(SheetTrace::UnknownNameError, { step: 2 }, message: /\Astep 2, explode/) do
      run.call(caddy.call(operations: [{ name: "set_unit", parameters: { unit_mm: 2 } }, { name: "explode" }]))
    end
    assert_refused(SheetTrace::UnknownNameError, { export: 1 }, message: /\Aexport 1: .*texture, model, trace/) do
      run.call(caddy.call(exports: [{ kind: "film", file: "a" }]))
    end
    assert_refused(SheetTrace::InputError, { export: 1 }, message: /a\.gif does not end with \.png/) do
      run.call(caddy.call(exports: [{ kind: "texture", file: "a.gif" }]))
    end
  end

  it "names what is no recipe" do
    {
      "{" => /recipe is no JSON/,
      "[]" => /holds no JSON object/,
      '{"modell": "a.obj"}' => /no parameter modell; there are model/,
      '{"sheet": {"width_px": 3, "height_px": 64}}' => /width is 3/,
      '{"operations": [{"parameters": {}}]}' => /operation 1: name is lacking/
    }.each do |text, message|
      assert_refused(SheetTrace::FormatError, { file: "recipe" }, message: message) { SheetTrace::Recipe.parse(text) }
    end
  end

  it "writes each edition that is named" do
    steps = [
      { name: "add_layer", parameters: { content: { kind: "fill", color: "#2f5a45" }, name: "Ground" } },
      { name: "add_edition", parameters: { name: "Plum" } },
      { name: "replace_in_edition", parameters: { id: "Ground", content: { kind: "fill", color: "#7b3f72" } } }
    ]
    files =
      run.call(
        caddy.call(
          operations: steps,
          exports:
            ["First edition", "Plum"].map { |edition| { kind: "texture", file: "#{edition}.png", edition: edition } }
        )
      ).files

    assert_equal [[47, 90, 69, 255], [123, 63, 114, 255]],
                 files.values.map { |bytes| Vips::Image.new_from_buffer(bytes, "").getpoint(3, 3) }
    assert_refused(SheetTrace::InputError, message: /no edition "Pear"/) do
      run.call(caddy.call(exports: [{ kind: "texture", file: "a.png", edition: "Pear" }]))
    end
  end

  it "saves every sample's steps so that they give the sample again" do
    Demo.samples.each do |sample|
      first =
        SheetTrace::Job::Start.call(
          sample.solid || SheetTrace::Formats.read_files(sample.model),
          source_name: sample.model.keys.first || "drum",
          sheet: sample.job.sheet
        ).job
      pictures =
        sample.pictures.to_h { |name, bytes| [{ digest: SheetTrace::Job::Snapshot.digest(bytes), name: name }, bytes] }
      files =
        SheetTrace::Recipe::Save.call(first, sample.operations, model: sample.model, pictures: pictures, name: "sample")
      recipe = SheetTrace::Recipe.parse(files["sample.json"])
      again =
        SheetTrace::Recipe::Run.call(
          recipe,
          SheetTrace::Formats.read_files(
            files.slice(*(sample.model.empty? ? %w[sample.obj sample.mtl] : sample.model.keys))
          ),
          model_name: recipe.model,
          pictures: recipe.pictures.to_h { |name, file| [name.to_s, files.fetch(file)] }
        ).job

      assert_equal sample.job.layout.uv_map.island_count, again.layout.uv_map.island_count, sample.name
      assert_in_delta 0,
                      (sample.job.layout.points_px - again.layout.points_px).abs.max,
                      sample.model.empty? ? 1e-3 : 0,
                      sample.name # a model that never was a file is written with six digits
      # A picture may have another file's name by then.
      shown =
        lambda do |job|
          job.artwork.worn(-1).map { |layer| layer.content.then { |own| own.to_h[:picture]&.digest || own.to_h } }
        end

      assert_equal shown.call(sample.job), shown.call(again), sample.name
    end
  end

  it "does not write one file over another" do
    exports = [
      { kind: "texture", file: "caddy.png", width_px: 64, height_px: 64 },
      { kind: "model", file: "caddy.obj" }
    ]
    assert_refused(
      SheetTrace::InputError,
      { export: 2 },
      message: /export 2: caddy\.png is written by an export before/
    ) { run.call(caddy.call(exports: exports)) }
    same = [{ kind: "texture", file: "caddy.png" }, { kind: "model", file: "caddy.obj" }]

    assert_equal %w[caddy.mtl caddy.obj caddy.png], run.call(caddy.call(exports: same)).files.keys.sort
  end

  it "runs the example of docs/formats.md" do
    text = File.read(File.expand_path("../../../docs/formats.md", __dir__))[/```json\n(.*?)```/m, 1]
    Dir.mktmpdir do |folder|
      File.write(File.join(folder, "tea-caddy.obj"), Demo::TeaCaddy.obj)
      File.binwrite(File.join(folder, "caddy-front.png"), Demo::TeaCaddy.pictures["caddy-front.png"])
      File.write(File.join(folder, "recipe.json"), text)
      program = File.expand_path("../../../bin/sheet-trace", __dir__)

      assert system(program, "run", File.join(folder, "recipe.json"), "-o", File.join(folder, "out"), out: File::NULL)
      assert_equal [2048, 2048], Vips::Image.new_from_file(File.join(folder, "out", "caddy-large.png")).size
      assert_equal [1024, 1024], Vips::Image.new_from_file(File.join(folder, "out", "caddy.png")).size
    end
  end
end
