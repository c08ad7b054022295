# frozen_string_literal: true

# rake bench: speed and memory of the hot paths, beside what bench/README.md expects.
require_relative "../config/environment"
require_relative "../config/memory"
require_relative "../server/app"
require_relative "surfaces"
require_relative "ten_layers"
require "tmpdir"

module Bench
  RUNS = 5
  Row = Struct.new(:name, :seconds, :limit_s)

  def self.time
    start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    yield
    Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
  end

  # @return [Row] with the seconds of RUNS runs; the block gives the work to be timed
  def self.measure(name, limit_s)
    seconds =
      Array.new(RUNS) do
        work = yield
        GC.start
        time(&work)
      end
    Row.new(name, seconds, limit_s)
  end

  def self.peak_mb = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024

  def self.table(rows)
    puts "                                                   best   median    worst    limit"
    rows.each do |row|
      sorted = row.seconds.sort
      over = sorted[RUNS / 2] > row.limit_s ? "  over" : ""
      puts format(
             "%-46s %7.3fs %7.3fs %7.3fs %7.2fs%s",
             row.name,
             sorted.first,
             sorted[RUNS / 2],
             sorted.last,
             row.limit_s,
             over
           )
    end
    puts "peak memory: #{peak_mb} MB"
  end

  # @param bytes [String] of the picture's file
  def self.label_on(job, bytes)
    file = SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: "label.png")
    operation = SheetTrace::Operations.from_h("place_picture", { picture: file.digest, island: 12 })
    SheetTrace::Operations.run(operation, job, pictures: ->(_name) { file }).job
  end

  def self.run
    obj = Surfaces.wavy_obj(225)
    reading = SheetTrace::Formats.read(obj, name: "wavy.obj")
    job = SheetTrace::Job.start(reading, source_name: "wavy.obj")
    big = SheetTrace::Layout::Sheet.new(width_px: 4096, height_px: 4096)
    medium = SheetTrace::Layout::Sheet.new(width_px: 2048, height_px: 2048)
    bytes = TenLayers.picture
    labelled = label_on(job, bytes)
    counts = "#{job.mesh.triangulation.count} triangles, #{job.layout.uv_map.island_count} islands"
    puts "#{obj.bytesize / 1_048_576} MB OBJ, #{counts}"

    table(
      [
        measure("read the OBJ", 1.0) { -> { SheetTrace::Formats.read(obj, name: "wavy.obj") } },
        measure("islands and measures", 0.7) do
          fresh = SheetTrace::Formats.read(obj, name: "wavy.obj")
          -> { SheetTrace::Job.start(fresh, source_name: "wavy.obj").measures }
        end,
        measure("trace at 4096", 3.0) do
          -> { SheetTrace::Formats::Png::Writer.call(SheetTrace::Trace::Template.call(job.layout, size: big).to_image) }
        end,
        *templates,
        measure("texel map and bake at 2048", 3.0) do
          lambda do
            SheetTrace::Artwork::Compose.call(
              labelled.artwork,
              labelled.with(unit_mm: 1.0).canvas(pictures: ->(_digest) { bytes }, size: medium)
            )
          end
        end,
        *formats(reading),
        measure("preflight of 50 000 faces", 3.0) do
          fresh = SheetTrace::Formats.read(Surfaces.wavy_obj(160), name: "wavy.obj")
          -> { SheetTrace::Job.start(fresh, source_name: "wavy.obj").findings }
        end,
        *unfolds,
        *packs,
        *fits,
        *art,
        *carried,
        *moves(job)
      ]
    )
  end

  # The same 100 000 triangles in the other formats.
  # Templates of 49 928 triangles.
  def self.templates
    reading = SheetTrace::Formats.read(Surfaces.wavy_obj(158), name: "wavy.obj")
    layout = SheetTrace::Job.start(reading, source_name: "wavy.obj").layout
    { 4096 => ["png", 1.0], 8192 => ["png", 3.0], 2048 => ["svg", 2.0] }.map do |side, (kind, limit)|
      size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
      measure("template of half as many at #{side}, #{kind}", limit) do
        lambda do
          scene = SheetTrace::Trace::Template.call(layout, size: size, background: "white")
          SheetTrace::Formats::Drawings.call(scene, kind)
        end
      end
    end
  end

  def self.formats(reading)
    model = SheetTrace::Formats::Model.of_reading(reading)
    { "glb" => 1.0, "dae" => 2.0, "ply" => 1.0 }.map do |extension, limit_s|
      files = SheetTrace::Formats::WRITERS.fetch(extension).call(model, base_name: "wavy").files
      measure("read the same as #{extension}", limit_s) { -> { SheetTrace::Formats.read_files(files) } }
    end
  end

  # One piece each, from a mesh to a flat map without turned triangles.
  def self.unfolds
    {
      "wavy, 10 000 triangles" => [Surfaces.wavy_sheet(70), 0.3],
      "wavy, 100 000" => [Surfaces.wavy_sheet(223), 3.0],
      "half ring, 20 000" => [Surfaces.half_ring(200, 50), 0.6]
    }.map do |name, (obj, limit_s)|
      mesh = SheetTrace::Formats.read(obj, name: "sheet.obj").mesh
      piece = SheetTrace::Flatten::Cut.call(mesh, SheetTrace::Flatten::Seams.none(mesh)).piece(0)
      measure("unfold #{name}", limit_s) { -> { SheetTrace::Flatten::Unfold.call(piece) } }
    end
  end

  # Quarter turns, 4 px between islands and along the border of a sheet of 1024 px; bench/rectangles.mjs packs their
  # boxes.
  def self.packs
    { 60 => 1.8, 300 => 4.0, 1000 => 6.0 }.map do |count, limit_s|
      layout =
        SheetTrace::Job.start(
          SheetTrace::Formats.read(Surfaces.patches(count), name: "patches.obj"),
          source_name: "patches"
        ).layout
      units = Array.new(count) { |island| [island] }
      measure("pack #{count} islands", limit_s) do
        -> { SheetTrace::Layout::Pack.call(layout, units, gutter_px: 4, margin_px: 4, turn: "quarter") }
      end
    end
  end

  # Cells of an atlas of 64 fields, clean and after JPEG; islands against as many cells; a soft fit by six landmarks.
  def self.fits
    clean = Surfaces.atlas(2048, 8)
    noisy =
      SheetTrace::Artwork::Picture.pixels(
        SheetTrace::Artwork::Picture.read(Surfaces.image(clean).flatten(background: 255).jpegsave_buffer(Q: 90))
      )
    layout =
      SheetTrace::Job.start(SheetTrace::Formats.read(Surfaces.patches(60), name: "patches.obj"), source_name: "patches")
    underlay =
      SheetTrace::Fit::Underlay.new(
        name: "grid",
        picture: "",
        picture_px: [1024, 1024],
        cells: SheetTrace::Fit::GridCells.call(1024, 1024, columns: 8, rows: 8)
      )
    net =
      SheetTrace::Job.start(SheetTrace::Formats.read(Surfaces.wavy_sheet(100), name: "sheet.obj"), source_name: "sheet")
    [
      measure("cells of an atlas of 2048 px", 8.0) { -> { SheetTrace::Fit::FindCells.call(clean) } },
      measure("cells of it after JPEG", 9.0) { -> { SheetTrace::Fit::FindCells.call(noisy) } },
      measure("match 60 islands to 64 cells", 5.0) do
        lambda do
          SheetTrace::Fit::Match.call(
            layout.layout,
            (0...60).to_a,
            underlay,
            names: layout.island_names,
            flat_map: layout.method(:flat_map),
            by: "cells"
          )
        end
      end,
      measure("soft fit of 19 602 triangles", 3.0) { soft(net) }
    ]
  end

  def self.soft(job)
    whole = SheetTrace::Operations.run(SheetTrace::Operations.from_h("lay_flat", { seams: "none" }), job).job
    left, top, right, bottom = whole.layout.boxes_px[0, true].to_a
    places =
      [[0, 0], [1, 0], [1, 1], [0, 1], [0.5, 0.5], [0.2, 0.7]].map do |x, y|
        [left + (x * (right - left)), top + (y * (bottom - top))]
      end
    marks =
      places.map do |x, y|
        SheetTrace::Fit::Landmark.at(whole.layout, 0, [x, y], [x + (12 * Math.sin(y)), y + (9 * Math.cos(x))])
      end
    -> { SheetTrace::Fit::FitLandmarks.call(whole.layout, [0], marks, kind: "soft") }
  end

  # The caddy dressed in ten layers of all kinds: composed whole, and again after its decal was moved.
  def self.art
    bytes = TenLayers.picture
    job = TenLayers.job(SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: "label.png"))
    big = SheetTrace::Layout::Sheet.new(width_px: 4096, height_px: 4096)
    small = SheetTrace::Layout::Sheet.new(width_px: 1024, height_px: 1024)
    compose = ->(state, size) do
      SheetTrace::Artwork::Compose.pixels(state.artwork, state.canvas(pictures: ->(_) { bytes }, size: size))
    end
    skin = job.mesh.triangulation.faces[0]
    height = 60.0
    [
      measure("ten layers at 4096", 5.0) { -> { compose.call(job.with(unit_mm: 1.0), big) } },
      measure("a decal moved, at 1024", 1.0) do
        compose.call(job, small)
        lambda do
          height += 0.5
          parameters = { id: "decal", place: { at: [35.0, height, 25.0], face: skin } }
          compose.call(
            SheetTrace::Operations.run(SheetTrace::Operations.from_plain("change_layer", parameters), job).job,
            small
          )
        end
      end
    ]
  end

  # A painted picture with clear places, carried from one map of a wavy sheet onto another, reading it included.
  def self.carried
    from, to =
      [5, 4].map { |pieces| SheetTrace::Formats.read(Surfaces.wavy_obj(155, pieces: pieces), name: "wavy.obj") }
    { 2048 => 2.0, 4096 => 6.0 }.map do |side, limit_s|
      bytes = painted(side)
      size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
      measure("paint carried at #{side}, #{to.mesh.face_count} faces", limit_s) do
        -> { SheetTrace::Job::CarryPaint.call(from, bytes, to, size: size).image.write_to_memory }
      end
    end
  end

  # @return [String] the file of a picture of soft spots of all colours, clear in places
  def self.painted(side)
    *colors, alpha =
      [4, 4, 4, 64].each_with_index.map do |spot_px, seed|
        Vips::Image.gaussnoise(side / spot_px, side / spot_px, mean: 128, sigma: 60, seed: seed).resize(spot_px)
      end
    colors[0]
      .bandjoin([*colors.drop(1), (alpha > 100).ifthenelse(255, 0)])
      .cast(:uchar)
      .copy(interpretation: :srgb)
      .pngsave_buffer(compression: 1)
  end

  # One move, through operation, measures, snapshot and store, to the JSON that the page is sent.
  def self.moves(job)
    Dir.mktmpdir do |folder|
      jobs =
        SheetTraceServer::Store::Jobs.new(SheetTraceServer::Store::Database.open(File.join(folder, "bench.sqlite")))
      workshop = SheetTraceServer::Workshop.new(jobs)
      id = jobs.create("bench", SheetTrace::Job::Snapshot.dump(job), "made")
      workshop.snapshot(id)
      [
        measure("a move, committed", 0.3) do
          lambda do
            workshop.operate(id, jobs.revision(id)[:id], "transform_islands", { islands: [3], move_px: [1, 0] })
            revision = jobs.revision(id)
            JSON.generate(
              SheetTraceServer::Json::JobJson.call(
                row: jobs.find(id),
                revision: revision,
                snapshot: workshop.snapshot(id),
                pictures: [],
                history: jobs.history(id)
              )
            )
          end
        end
      ]
    end
  end
end

Memory.reuse # as workers do
Bench.run
