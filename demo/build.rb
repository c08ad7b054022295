# frozen_string_literal: true

require "fileutils"
require_relative "lantern_shade"
require_relative "tea_caddy"
require_relative "parade_drum"
require_relative "skiff"
require_relative "heron"
require_relative "kiosk"
require_relative "skiff_job"

# Builds the sample jobs from nothing, through the core alone, each once.
module Demo
  # name [String]; job [SheetTrace::Job]; pictures [Hash{String => String}] file name => bytes; model [Hash{String =>
  # String}] its files
  # solid [SheetTrace::Formats::Reading, nil] in the place of files
  # operations [Array<Hash>] name:, parameters: that it was made with, as a recipe has them
  Sample = Struct.new(:name, :job, :pictures, :model, :solid, :operations, keyword_init: true)

  # Has a sample built once: it never changes.
  #
  # @param name [Symbol] of the method that builds it
  def self.once(name)
    builder = method(name)
    sample = nil
    define_singleton_method(name) { sample ||= builder.call }
  end
  private_class_method :once

  # @return [Sample]
  once def self.tea_caddy
    labels = TeaCaddy.labels.map { |island, file| ["place_picture", { picture: file, island: island }] }
    built(
      "Tea caddy",
      model: {
        "tea-caddy.obj" => TeaCaddy.obj
      },
      pictures: {
        **TeaCaddy.pictures,
        **TeaCaddy.flavours
      },
      operations: [
        ["rename_edition", { edition: 0, name: "Pine" }],
        *labels,
        ["fill_editions", { table: TeaCaddy.editions }]
      ]
    )
  end

  # @return [Sample] as received, with all its faults
  once def self.lantern_shade
    built(
      "Lantern shade, as received",
      model: {
        "lantern-shade.obj" => LanternShade.obj,
        "lantern-shade.mtl" => LanternShade.mtl
      }
    )
  end

  # @return [Sample] with its wrap, which joins at the back, in two editions
  once def self.parade_drum
    wrap, plum = ParadeDrum.pictures.keys
    built(
      "Parade drum",
      solid: SheetTrace::Solids.build("cylinder", ParadeDrum::MEASURES),
      pictures: ParadeDrum.pictures,
      operations: [
        ["rename_edition", { edition: 0, name: "Indigo" }],
        ["place_picture", { picture: wrap, island: "Around" }],
        ["add_edition", { name: "Plum" }],
        ["replace_in_edition", { id: "layer-1", content: { kind: "picture", picture: plum } }],
        ["show_edition", { edition: 0 }]
      ]
    )
  end

  # @return [Sample] cut along keel, stem and rims and unfolded, both halves as mirror images; parked, which is kept
  #   beside, and then packed; its number
  #   on both sides, and the landmarks of a photo that lies under it
  once def self.skiff = SkiffJob.call

  # @return [Sample] as its file has it, its template under the islands: to be found, matched and accepted
  once def self.heron
    template = Heron.pictures.keys.first
    built(
      "Heron, to be fitted",
      model: {
        "heron.obj" => Heron.obj
      },
      sheet: {
        width_px: 96,
        height_px: 64
      },
      pictures: Heron.pictures,
      operations: [["add_underlay", { picture: template }]]
    )
  end

  # @return [Sample] with its nets on the template, in two skins with cut-outs
  once def self.dressed_heron
    dawn, dusk = Heron.skins.keys
    built(
      "Heron, dressed",
      model: {
        "heron-dressed.obj" => Heron.obj(fitted: true)
      },
      sheet: {
        width_px: 768,
        height_px: 512
      },
      pictures: Heron.skins,
      operations: [
        ["set_bleed", { bleed_px: 0 }],
        ["add_layer", { id: "plumage", name: "plumage", content: { kind: "picture", picture: dawn } }],
        ["hold_skin", { id: "plumage", to: "model" }],
        ["rename_edition", { edition: 0, name: "Dawn" }],
        ["add_edition", { name: "Dusk" }],
        ["replace_in_edition", { id: "plumage", edition: 1, content: { kind: "picture", picture: dusk } }]
      ]
    )
  end

  # @return [Sample] walls, roof and sign set into the atlas; the palette lies ready
  once def self.kiosk
    cells = Kiosk::CELLS.map { |name, (x, y, width, height)| { name: name, x: x, y: y, width: width, height: height } }
    bare = built("", model: { "harbour-kiosk.obj" => Kiosk.obj, "harbour-kiosk.mtl" => Kiosk.mtl }).job
    sign = bare.mesh.face_parts.eq(bare.mesh.parts.index("sign")).where[4]
    into = ->(inset, **assignment) { ["set_into_cells", { assignments: [assignment], inset_px: inset }] }
    built(
      "Harbour kiosk",
      model: {
        "harbour-kiosk.obj" => Kiosk.obj,
        "harbour-kiosk.mtl" => Kiosk.mtl
      },
      sheet: {
        width_px: 256,
        height_px: 256
      },
      pictures: Kiosk.pictures,
      operations: [
        ["lay_flat", { by: "square_on", seams: "all" }],
        ["arrange_islands", {}],
        *Kiosk.pictures.keys.reverse.map { |file| ["add_underlay", { picture: file }] },
        ["set_cells", { index: 1, cells: cells }],
        into.call(2, material: "planks", cell: "planks", together: false),
        into.call(2, material: "shingles", cell: "shingles", together: false),
        into.call(nil, faces: [sign], cell: "sign", way: "fill")
      ]
    )
  end

  # @return [Sample] a cone of paper that shades from dusk to glow, its words along the rim
  once def self.paper_lantern
    on = { kind: "island", island: "Around" }
    glow = { kind: "gradient", color: "#3c2f57", to: "#d2552a" }
    words = { kind: "lettering", text: "Quillhaven Lantern Regatta", font: "Pacifico", color: "#fff6dc" }
    built(
      "Paper lantern",
      solid: SheetTrace::Solids.build("cone", bottom_mm: 84.0, top_mm: 120.0, height_mm: 90.0),
      operations: [
        ["rename_edition", { edition: 0, name: "Dusk" }],
        [
          "add_layer",
          { name: "glow", content: glow, place: { kind: "level", face: 0, at: [0, 45, 0], height_mm: 91 } }
        ],
        ["add_layer", { name: "words", content: words, place: { **on, width_mm: 150, y_mm: 6, along: "rim" } }]
      ]
    )
  end

  # @return [Array<Sample>] the last one is shown first
  def self.samples = [kiosk, heron, dressed_heron, paper_lantern, skiff, parade_drum, lantern_shade, tea_caddy]

  # Runs the operations as a recipe does.
  #
  # @param operations [Array<Array(String, Hash)>]
  # @return [Sample]
  def self.built(name, model: {}, solid: nil, sheet: { width_px: 1024, height_px: 1024 }, pictures: {}, operations: [])
    steps = operations.map { |step, parameters| { name: step, parameters: parameters } }
    recipe = SheetTrace::Recipe.new(sheet: sheet, operations: steps)
    result =
      SheetTrace::Recipe::Run.call(
        recipe,
        solid || SheetTrace::Formats.read_files(model),
        model_name: model.keys.first || name.downcase,
        pictures: pictures
      )
    Sample.new(name: name, job: result.job, pictures: pictures, model: model, solid: solid, operations: steps)
  end

  # Writes the samples' models and pictures, to be brought in by hand.
  #
  # @param folder [String]
  def self.write_files(folder)
    FileUtils.mkdir_p(folder)
    {
      "tea-caddy.obj" => TeaCaddy.obj,
      "lantern-shade.obj" => LanternShade.obj,
      "lantern-shade.mtl" => LanternShade.mtl,
      "skiff.obj" => Skiff.obj,
      "heron.obj" => Heron.obj,
      "harbour-kiosk.obj" => Kiosk.obj,
      "harbour-kiosk.mtl" => Kiosk.mtl,
      "caddy-editions.csv" => TeaCaddy.editions,
      **TeaCaddy.pictures,
      **TeaCaddy.flavours,
      **Skiff.pictures,
      **Heron.pictures,
      **Heron.skins,
      **Kiosk.pictures
    }.each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
  end
end
