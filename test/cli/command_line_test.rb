# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../demo/build"
require_relative "../../cli/command_line"
require "open3"

describe "bin/sheet-trace" do
  # What a command did: a process that was waited for, or the same command line within this one.
  exit_status = Struct.new(:exitstatus) { def success? = exitstatus.zero? }

  # Runs a command line without a process of its own, which would cost half a second each.
  run =
    lambda do |*arguments, chdir: Dir.pwd|
      streams = [$stdout, $stderr]
      $stdout = out = StringIO.new
      $stderr = err = StringIO.new
      status = 0
      begin
        Dir.chdir(chdir) { SheetTraceCli::CommandLine.run(arguments.map(&:to_s)) }
      rescue SystemExit => e
        status = e.status
      end
      [out.string, err.string, exit_status.new(status)]
    ensure
      $stdout, $stderr = streams
    end

  before do
    @folder = Dir.mktmpdir
    @caddy = File.join(@folder, "tea-caddy.obj")
    File.write(@caddy, Demo::TeaCaddy.obj)
  end
  after { FileUtils.remove_entry(@folder) }

  it "inspects a model as JSON" do
    out, err, status = run.call("inspect", @caddy, "--json", "--size", "2048x1024", "--unit-mm", "2")
    answer = JSON.parse(out)

    assert_predicate status, :success?, err
    assert_equal(
      { "vertices" => 8, "faces" => 6, "triangles" => 12, "uvs" => 24, "parts" => 1, "materials" => 1 },
      answer["counts"]
    )
    assert_equal({ "min" => [-80.0, 0.0, -50.0], "max" => [80.0, 240.0, 50.0] }, answer["bounds"])
    assert_equal %w[name faces size_mm size_px density_px_per_mm stretch_mean stretch_worst mirrored up_angle_deg],
                 answer["islands"][0].keys
    # The caddy's panels are true on a square sheet at 4 px/mm; here twice as wide, and a unit is 2 mm.
    assert_in_delta 2, answer["islands"][0]["stretch_mean"], 1e-6
    assert_in_delta Math.sqrt(4 * 2), answer["islands"][0]["density_px_per_mm"], 1e-6
  end

  it "is a program of its own, with exit code 0, or 1 and one line of what is wrong" do
    program = File.expand_path("../../bin/sheet-trace", __dir__)
    out, err, status = Open3.capture3(RbConfig.ruby, program, "inspect", @caddy)

    assert_equal [0, "", "Front"], [status.exitstatus, err, out[/^Front/]]
    out, err, status = Open3.capture3(RbConfig.ruby, program, "inspect", "nowhere.obj")

    assert_equal [1, "", 1], [status.exitstatus, out, err.lines.size]
  end

  it "inspects a model as a table" do
    out, = run.call("inspect", @caddy)

    assert_match(/^Front\s+1\s+80\.0 x 120\.0\s+320\.0 x 480\.0\s+4\.000/, out)
  end

  it "writes the template that the core draws" do
    target = File.join(@folder, "trace.png")
    out, err, status =
      run.call(
        "trace",
        @caddy,
        "--size",
        "256x128",
        "-o",
        target,
        "--line",
        "2",
        "--color",
        "#ff0000",
        "--background",
        "white",
        "--edges",
        "outline"
      )
    drawing =
      SheetTrace::Trace::Template.call(
        Models.job(Demo::TeaCaddy.obj).layout,
        size: SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 128),
        line_px: 2.0,
        color: "#ff0000",
        background: "white",
        edges: "outline"
      )

    assert_predicate status, :success?, err
    assert same_pixels?(drawing.to_image, File.binread(target))
    assert_match(/256 x 128 px, 6 islands, layout [0-9A-Z]{4}-[0-9A-Z]{4}/, out)
  end

  it "carries paint from one model's map onto another's" do
    image = File.join(@folder, "old.png")
    Vips::Image.black(64, 64).bandjoin([120, 60]).copy(interpretation: :srgb).cast(:uchar).pngsave(image)
    target = File.join(@folder, "new.jpg")
    out, err, status = run.call("carry", @caddy, image, @caddy, "-o", target, "--size", "128x96")

    assert_equal ["", 0], [err, status.exitstatus]
    assert_equal "#{target}: 128 x 96 px, paint of 6 faces carried, all of them\n", out
    assert_equal [128, 96], Vips::Image.new_from_file(target).size
    _, err, status = run.call("carry", @caddy, File.join(@folder, "none.png"), @caddy, "-o", target)

    assert_equal 1, status.exitstatus
    assert_match(/none.png can't be read: no such file/, err)
    _, err, = run.call("carry", @caddy, image, @caddy, "-o", File.join(@folder, "new.svg"))

    assert_match(/an image ends in .png/, err)
  end

  it "writes templates in the format of the ending, by document size too" do
    endings = {
      "png" => "\x89PNG",
      "tif" => "II*",
      "jpg" => "\xFF\xD8\xFF",
      "webp" => "RIFF",
      "svg" => "<?xml",
      "pdf" => "%PDF",
      "ora" => "PK"
    }
    endings.each do |ending, start|
      target = File.join(@folder, "t.#{ending}")
      out, err, status =
        run.call(
          "trace",
          @caddy,
          "--size",
          "60x30mm",
          "--dpi",
          "127",
          "-o",
          target,
          "--marks",
          "names,arrows",
          "--fill",
          "tint",
          "--json"
        )

      assert_predicate status, :success?, err
      assert_equal [300, 150], JSON.parse(out).values_at("width_px", "height_px")
      assert_equal start.b, File.binread(target, start.bytesize), ending
    end
    _, err, status = run.call("trace", @caddy, "--size", "60x30mm", "-o", "x.png")

    assert_equal [1, "sheet-trace: a size in mm needs --dpi, the px to an inch\n"], [status.exitstatus, err]
  end

  it "delivers as a receiver wants it, or says which of his rules would be broken" do
    recipe = File.join(@folder, "recipe.json")
    File.write(recipe, JSON.generate(model: File.basename(@caddy), operations: []))
    FileUtils.cp(@caddy, @folder) unless File.dirname(@caddy) == @folder
    receivers = File.join(@folder, "receivers.json")
    harbour = { name: "Harbour", options: { image: "jpg", manifest: true }, rules: { powers_of_two: true } }
    File.write(receivers, JSON.generate(receivers: [harbour]))
    deliver = ->(size, name = "Harbour") do
      run.call(
        "deliver",
        recipe,
        "-o",
        File.join(@folder, "box.obj"),
        "--size",
        size,
        "--receivers",
        receivers,
        "--receiver",
        name
      )
    end
    _out, err, status = deliver.call("100x128")

    assert_equal 1, status.exitstatus
    assert_match(/Harbour: 100 x 128 px are no powers of two; take 128 x 128 px/, err)
    refute_path_exists File.join(@folder, "box.obj")
    out, err, status = deliver.call("128x128")

    assert_predicate status, :success?, err
    assert_match(/box\.jpg/, out)
    assert_match(/there is no receiver "Nobody" in .*; there are Harbour/, deliver.call("128x128", "Nobody")[1])
  end

  it "delivers and prints what a recipe makes" do
    recipe = File.join(@folder, "r.json")
    steps = [{ name: "add_layer", parameters: { content: { kind: "fill", color: "#2f5a45" } } }]
    File.write(recipe, JSON.generate({ model: File.basename(@caddy), operations: steps }))
    FileUtils.cp(@caddy, @folder) unless File.dirname(@caddy) == @folder
    out, err, status = run.call("deliver", recipe, "-o", File.join(@folder, "box.glb"), "--size", "128x128", "--json")

    assert_predicate status, :success?, err
    assert_equal ["box.glb"], JSON.parse(out)["files"].keys
    out, err, status =
      run.call("print", recipe, "--island", "Front", "-o", File.join(@folder, "front.pdf"), "--dpi", "72")

    assert_predicate status, :success?, err
    assert_equal "front.pdf written\n", out
    assert_equal "%PDF", File.binread(File.join(@folder, "front.pdf"), 4)
    _, err, = run.call("print", recipe, "--island", "Lid", "-o", "x.pdf")

    assert_match(/no island "Lid"/, err)
  end

  it "carries findings, materials, UV sets and units in its JSON" do
    answer = JSON.parse(run.call("inspect", @caddy, "--json")[0])
    finding = answer["findings"][0]

    assert_equal %w[not_upright warning], finding.values_at("code", "severity")
    assert_equal [["Back"], -90.0],
                 finding["where"][0]
                   .values_at("islands", "up_angle_deg")
                   .then { |islands, angle| [islands, angle.round(6)] }
    assert_equal [{ "name" => "card", "color" => nil, "image" => nil }], answer["materials"]
    assert_equal [{ "name" => "vt", "uvs" => 24, "faces" => 6 }], answer["uv_sets"]
    assert_equal ["obj", nil], answer.values_at("format", "file_unit_mm")
  end

  it "lays a model flat and writes it, at one density, telling stretch before and after" do
    File.write(@caddy, Models.band(24, radius: 30.0, top_radius: 20.0))
    target = File.join(@folder, "flat.obj")
    answer =
      JSON.parse(run.call("flatten", @caddy, "-o", target, "--method", "rollout", "--seams", "file", "--json")[0])

    assert_equal %w[islands stretch_before stretch_after turned_triangles seconds], answer.keys
    assert_equal [1, 0], answer.values_at("islands", "turned_triangles")
    assert_operator answer["stretch_before"]["mean"], :>, 2
    assert_in_delta 1, answer["stretch_after"]["worst"], 0.01 # arcs for chords of 24 sides
    inspected = JSON.parse(run.call("inspect", target, "--json")[0])

    assert_in_delta 1, inspected["islands"][0]["stretch_worst"], 0.01
    %w[unfold direction angle square-on].each do |method|
      out, err, status = run.call("flatten", @caddy, "-o", target, "--method", method)

      assert_predicate status, :success?, err
      assert_match(/flat\.obj: \d+ islands, mean stretch \d/, out)
    end
  end

  # The caddy's panels cover 2 (80 x 120 + 50 x 120 + 80 x 50) mm2, 39 200 in all.
  it "packs a model on a sheet and writes it, telling how much of the sheet is used" do
    packed = File.join(@folder, "packed.obj")
    out, err, status =
      run.call(
        "pack",
        @caddy,
        "-o",
        packed,
        "--size",
        "512x256",
        "--gutter",
        "2",
        "--margin",
        "1",
        "--turn",
        "quarter",
        "--json"
      )
    answer = JSON.parse(out)

    assert_predicate status, :success?, err
    assert_equal [6, %w[share_used density_px_per_mm islands seconds]], [answer["islands"], answer.keys]
    assert_operator answer["share_used"], :>, 0.7
    again = SheetTrace::Formats.read(File.binread(packed), name: "packed.obj")
    sheet = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 256)
    boxes = SheetTrace::Job.start(again, source_name: "packed.obj", sheet: sheet).layout.boxes_px

    assert_operator boxes[true, 0..1].min, :>=, 1 - 1e-3
    assert_operator boxes[true, 2].max, :<=, 511 + 1e-3
    out, err, = run.call("pack", @caddy, "-o", packed, "--size", "1024x1024", "--keep-scale", "--upright")

    assert_match(/packed.obj: 6 islands, \d+\.\d % of the sheet used/, out, err)
    _, err, status = run.call("pack", @caddy, "-o", packed, "--size", "64x64", "--turn", "sideways")

    refute_predicate status, :success?
    assert_match(/turn is "sideways"; give none, quarter, free/, err)
  end

  it "converts to every format, and tells what was left out" do
    File.write(File.join(@folder, "a.mtl"), "newmtl card\nKd 1 0 0\n")
    File.write(@caddy, "mtllib a.mtl\n#{Demo::TeaCaddy.obj}")
    notes =
      %w[obj glb dae ply].to_h do |extension|
        target = File.join(@folder, "out.#{extension}")
        _out, err, status = run.call("convert", @caddy, target)

        assert_predicate status, :success?, err
        answer = JSON.parse(run.call("inspect", target, "--json", "--unit-mm", extension == "glb" ? "1000" : "1")[0])

        assert_equal 6, answer["islands"].size, extension
        assert_in_delta 80, answer["islands"][0]["size_mm"][0], 1e-3, extension
        [extension, err.lines.size]
      end

    assert_equal({ "obj" => 0, "glb" => 1, "dae" => 0, "ply" => 1 }, notes)
  end

  it "tells notes of the reader on standard error" do
    File.write(@caddy, "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n")
    _out, err, status = run.call("inspect", @caddy)

    assert_predicate status, :success?
    assert_match(/note: .*no UVs/, err)
  end

  {
    "a file that is not there" => [%w[inspect nowhere.obj], /nowhere\.obj can't be read: no such file/],
    "a folder" => [%w[inspect .], /can't be read: is a directory/],
    "no OBJ" => [["inspect", __FILE__], /command_line_test\.rb/],
    "a size that is none" => [["inspect", :caddy, "--size", "0x0"], /width is 0 px/],
    "a size too large" => [["trace", :caddy, "--size", "100000x64", "-o", "x.png"], /100000 px/],
    "a unit of 0" => [["inspect", :caddy, "--unit-mm", "0"], /unit-mm is 0/],
    "a colour that is none" => [
      ["trace", :caddy, "--size", "64x64", "-o", "x.png", "--color", "red"],
      /colour is "red"/
    ],
    "a lacking option" => [["trace", :caddy, "--size", "64x64"], /--out/],
    "an option that is not known" => [["inspect", :caddy, "--sise", "64x64"], /sise/],
    "a place that can't be written" => [
      ["trace", :caddy, "--size", "64x64", "-o", "/nowhere/x.png"],
      %r{/nowhere/x\.png}
    ],
    "seams that are none" => [
      ["flatten", :caddy, "-o", "x.obj", "--seams", "maybe"],
      /seams is "maybe"; give angle:60, file or none/
    ],
    "a method that is not known" => [["flatten", :caddy, "-o", "x.obj", "--method", "fly"], /no method "fly"/],
    "a format that is not known" => [
      ["convert", :caddy, "x.xyz"],
      /no model format "xyz"; there are obj, glb, gltf, dae, ply/
    ],
    "a command that is not known" => [["paint"], /paint/]
  }.each do |what, (arguments, message)|
    it "gives one clear line and exit code 1 for #{what}" do
      _out, err, status = run.call(*arguments.map { |argument| argument == :caddy ? @caddy : argument }, chdir: @folder)

      assert_equal 1, status.exitstatus, err
      assert_equal 1, err.lines.size, err
      assert_match message, err
    end
  end

  describe "with the heron and its template" do
    before do
      @heron = File.join(@folder, "heron.obj")
      @template = File.join(@folder, "template.png")
      File.write(@heron, Demo::Heron.obj)
      File.binwrite(@template, Demo::Heron.pictures.values.first)
    end

    it "prints the cells of a picture, or of a typed grid" do
      answer = JSON.parse(run.call("cells", @template, "--json")[0])

      assert_equal Demo::Heron.panels.map { |_name, *box| box }.sort,
                   answer["cells"].map { |cell| cell.values_at("x", "y", "width", "height") }.sort
      assert_equal answer["cells"].size, answer["cells"].map { |cell| cell["name"] }.uniq.size
      grid = JSON.parse(run.call("cells", @template, "--json", "--cells", "grid:4x2")[0])["cells"]

      assert_equal %w[A1 B1 C1 D1 A2 B2 C2 D2], grid.map { |cell| cell["name"] }
      assert_match(/cells is "grid:0x2"; give auto or grid:8x4/, run.call("cells", @template, "--cells", "grid:0x2")[1])
    end

    it "fits the model onto the template, and tells which island went where and how sure that is" do
      target = File.join(@folder, "fitted.obj")
      out, err, status = run.call("fit", @heron, "-o", target, "--underlay", @template, "--size", "96x64", "--json")
      answer = JSON.parse(out)

      assert_predicate status, :success?, err
      assert_empty answer["unassigned"]
      assert_equal 11, answer["assignments"].sum { |assignment| assignment["islands"].size }
      assert_operator answer["assignments"].map { |assignment| assignment["confidence"] }.min, :>, 0.7
      reading = SheetTrace::Formats.read(File.binread(target), name: "fitted.obj")
      px = reading.uvs * Numo::DFloat[[96, 64]]

      # The writer rounds to 6 decimals of the sheet.
      assert_operator (px - px.round).abs.max, :<, 1e-4
    end

    it "fits by landmarks of a file, and tells how far each is off" do
      target = File.join(@folder, "fitted.glb")
      marks =
        [[0.2, 0.8, 10, 10], [0.3, 0.8, 30, 10], [0.2, 0.7, 10, 30]].map do |u, v, x, y|
          { island: 0, from_uv: [u, v], to_px: [x, y] }
        end
      file = File.join(@folder, "marks.json").tap { |path| File.write(path, JSON.generate(landmarks: marks)) }
      answer =
        JSON.parse(
          run.call(
            "fit",
            @heron,
            "-o",
            target,
            "--underlay",
            @template,
            "--size",
            "96x64",
            "--landmarks",
            file,
            "--kind",
            "affine",
            "--json"
          )[
            0
          ]
        )

      assert_equal 3, answer["residuals_px"].size
      assert_operator answer["worst_px"], :<, 1e-9
      assert_match(
        /3 landmarks; perspective takes 4/,
        run.call(
          "fit",
          @heron,
          "-o",
          target,
          "--underlay",
          @template,
          "--size",
          "96x64",
          "--landmarks",
          file,
          "--kind",
          "perspective"
        )[
          1
        ]
      )
      File.write(file, "{}")

      assert_match(
        /marks\.json has no list called landmarks/,
        run.call("fit", @heron, "-o", target, "--underlay", @template, "--size", "96x64", "--landmarks", file)[1]
      )
    end
  end

  it "runs a recipe on its own model and on another, and lists what a recipe may hold" do
    Dir.mktmpdir do |folder|
      File.write(File.join(folder, "caddy.obj"), Demo::TeaCaddy.obj)
      File.binwrite(File.join(folder, "wave.png"), Demo::TeaCaddy.pictures["caddy-side.png"])
      recipe = {
        model: "caddy.obj",
        sheet: {
          width_px: 64,
          height_px: 64
        },
        pictures: {
          wave: "wave.png"
        },
        operations: [{ name: "place_picture", parameters: { picture: "wave", island: "Left" } }],
        exports: [{ kind: "texture", file: "a/caddy.png" }]
      }
      path = File.join(folder, "caddy.json").tap { |file| File.write(file, JSON.generate(recipe)) }
      out, _err, status = run.call("run", path, "-o", File.join(folder, "out"))

      assert_predicate status, :success?
      assert_match(%r{wave set on Left, 50 x 120 mm\na/caddy.png written to}, out)
      assert_equal [64, 64], File.binread(File.join(folder, "out/a/caddy.png")).unpack("x16 N N")
      File.write(File.join(folder, "flat.obj"), Models.panel)
      _out, err, status = run.call("run", path, "--model", File.join(folder, "flat.obj"), "-o", folder)

      assert_equal [1, "sheet-trace: step 1, place_picture: there is no island \"Left\"; there are Front\n"],
                   [status.exitstatus, err]
      # The step that no longer fits is changed in the recipe, or left out.
      out, _err, status = run.call("run", path, "--model", File.join(folder, "flat.obj"), "--skip", "1", "-o", folder)

      assert_equal ["a/caddy.png written to #{folder}\n", true], [out, status.success?]
      assert_match(/--skip is "x"; give numbers/, run.call("run", path, "--skip", "x", "-o", folder)[1])
      File.write(path, JSON.generate(recipe.merge(exports: [{ kind: "texture", file: "../caddy.png" }])))

      assert_match(/would be written outside/, run.call("run", path, "-o", File.join(folder, "out"))[1])
      File.write(path, JSON.generate(recipe.merge(pictures: { wave: "lost.png" })))

      assert_match(
        /\Asheet-trace: caddy.json: picture wave is not at lost.png; put it beside/,
        run.call("run", path, "-o", folder)[1]
      )
    end
    assert_match(/^place_picture +Sets a picture on an island/, run.call("operations")[0])
    assert_match(/^- `island`: an island: its name, or its number/, run.call("operations", "place_picture")[0])
  end
end
