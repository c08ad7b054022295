# frozen_string_literal: true

require "thor"
require_relative "fitting"
require_relative "flattening"
require_relative "packing"
require_relative "inspection"
require_relative "recipes"
require_relative "model_files"
require_relative "underlay"

module SheetTraceCli
  # The commands of bin/sheet-trace: the core without a server. Exit code 0, or 1 with one line on
  # standard error for bad input.
  class CommandLine < Thor
    def self.exit_on_failure? = true

    # Runs a command line and leaves the process with its exit code.
    def self.run(arguments)
      start(arguments, debug: true)
    rescue SheetTrace::Error, Thor::Error, SystemCallError => e
      warn "sheet-trace: #{e.message.lines.first.chomp}"
      exit 1
    end

    desc "inspect MODEL", "print parts, counts, bounds, the islands with their measures, and the preflight findings"
    option :json, type: :boolean, desc: "as JSON"
    option :size, default: "1024x1024", desc: "of the sheet, px"
    option :unit_mm, type: :numeric, desc: "length of one model unit; as the file says, or else 1"
    def inspect(model)
      reading = read(model)
      inspection = Inspection.new(start_job(reading, model), uv_count: reading.uvs.shape[0])
      puts options[:json] ? JSON.pretty_generate(inspection.to_h) : inspection.to_text
    end

    desc "flatten IN", "lay the surface flat in true shape, at one density, and write the model with its new UVs"
    option :out, aliases: "-o", required: true, desc: "the model to write: .obj, .glb, .gltf, .dae or .ply"
    option :method,
           default: "best",
           desc:
             "best (nets of flat panels, bands rolled out, the rest unfolded), unfold, rollout, direction, angle or " \
               "square-on"
    option :seams,
           desc:
             "angle:DEGREES, file (as its UVs are cut) or none; more are cut where a piece would not lie flat; " \
               "for best none, for the other methods angle:60 if it is left out"
    option :angle,
           type: :numeric,
           default: 60,
           desc: "degrees that faces of one piece may lean apart, for the method angle"
    option :json, type: :boolean
    def flatten(model)
      reading = read(model)
      flattening =
        Flattening.new(
          reading,
          method: options[:method].tr("-", "_"),
          seams: options[:seams],
          angle_deg: options[:angle]
        )
      write(flattening.model, options[:out])
      puts options[:json] ? JSON.pretty_generate(flattening.to_h) : flattening.to_text(options[:out])
    end

    desc "pack IN", "pack the islands on a sheet by their true outlines, and write the model with its new UVs"
    option :out, aliases: "-o", required: true, desc: "the model to write: .obj, .glb, .gltf, .dae or .ply"
    option :size, required: true, desc: "of the sheet, px, such as 1024x1024"
    option :gutter, type: :numeric, default: 8, desc: "px between islands"
    option :margin, type: :numeric, default: 4, desc: "px along the border of the sheet"
    option :turn, default: "quarter", desc: "none, quarter or free"
    option :keep_scale, type: :boolean, desc: "leave the islands as large as they are on a sheet of this size"
    option :upright, type: :boolean, desc: "turn no island, whatever --turn says, but each so that model-up points up"
    option :json, type: :boolean
    def pack(model)
      reading = read(model)
      packing =
        Packing.new(
          start_job(reading, model),
          turn: options[:turn],
          gutter_px: options[:gutter],
          margin_px: options[:margin],
          keep_scale: options[:keep_scale] || false,
          upright: options[:upright] || false
        )
      write(packing.model(reading), options[:out])
      puts options[:json] ? JSON.pretty_generate(packing.to_h) : packing.to_text(options[:out])
    end

    desc "cells IMAGE",
         "print the cells of a picture: closed panels, squares of a palette, cells of an atlas, islands of alpha"
    option :cells, default: "auto", desc: "auto or grid:COLSxROWS"
    option :json, type: :boolean
    def cells(image)
      underlay = underlay(image)
      found = underlay.cells(options[:cells])
      plain =
        found.map do |cell|
          {
            x: cell.x,
            y: cell.y,
            width: cell.width,
            height: cell.height,
            name: cell.name,
            outline: cell.outline,
            color: cell.color,
            flat: cell.flat
          }.compact
        end
      if options[:json]
        return(
          puts JSON.pretty_generate({ width_px: underlay.size_px[0], height_px: underlay.size_px[1], cells: plain })
        )
      end

      found.each { |cell| puts format("%-12s %5d %5d %5d x %d", cell.name, cell.x, cell.y, cell.width, cell.height) }
      puts "#{underlay.name}: #{found.size} cells on #{underlay.size_px.join(" x ")} px"
    end

    desc "fit IN",
         "set the islands into the cells of a picture, or bring them to where landmarks say, and write the model " \
           "with its new UVs"
    option :out, aliases: "-o", required: true, desc: "the model to write: .obj, .glb, .gltf, .dae or .ply"
    option :underlay, required: true, desc: "the picture: PNG, JPEG, WebP, TIFF, TGA, SVG or OpenRaster"
    option :size, required: true, desc: "of the sheet, px; the picture lies over all of it"
    option :cells, default: "auto", desc: "auto or grid:COLSxROWS"
    option :inset, type: :numeric, default: 0, desc: "px that islands stay inside their cells"
    option :landmarks, desc: "a JSON file of point pairs, as docs/landmarks.md has it"
    option :kind, default: "similarity", desc: "with landmarks: move, similarity, affine, perspective or soft"
    option :json, type: :boolean
    def fit(model)
      reading = read(model)
      fitting = Fitting.new(start_job(reading, model), underlay(options[:underlay]))
      if options[:landmarks]
        fitting.by_landmarks(landmarks(options[:landmarks]), kind: options[:kind])
      else
        fitting.by_cells(options[:cells], inset_px: options[:inset])
      end
      write(fitting.model(reading), options[:out])
      puts options[:json] ? JSON.pretty_generate(fitting.to_h) : fitting.to_text(options[:out])
    end

    desc "run RECIPE",
         "do with operations what the screen does, and write what the recipe exports; paths in it are relative to it"
    option :model, desc: "another model than the recipe's"
    option :skip, desc: "numbers of steps that are left out, such as 3,5: those that no longer fit another model"
    option :out, aliases: "-o", required: true, desc: "the folder to write to; made if there is none"
    option :json, type: :boolean, desc: "sentences and files as JSON"
    def run_recipe(recipe)
      running = Recipes.new(recipe, model: options[:model], skip: options[:skip])
      result = running.call { |sentence| puts sentence unless options[:json] }
      files = running.write(result, options[:out])
      puts(
        if options[:json]
          JSON.pretty_generate({ sentences: result.sentences, files: files })
        else
          "#{files.join(", ")} written to #{options[:out]}"
        end
      )
    end
    map "run" => :run_recipe

    desc "operations [NAME]", "list the operations that a recipe may hold, or what one takes"
    def operations(name = nil)
      puts name ? SheetTrace::Operations::Reference.entry(name) : SheetTrace::Operations::Reference.list
    end

    desc "recipe JOB", "save a job of the application as a recipe, with its model and pictures; JOB is its name or id"
    option :out, aliases: "-o", required: true, desc: "the folder to write to; made if there is none"
    option :database, default: "var/sheet-trace.sqlite", desc: "where the application keeps its jobs"
    def recipe(job)
      files = Recipes.save(job, options[:database])
      FileUtils.mkdir_p(options[:out])
      files.each { |name, bytes| File.binwrite(File.join(options[:out], File.basename(name)), bytes) }
      puts "#{files.keys.join(", ")} written to #{options[:out]}"
    end

    desc "convert IN OUT", "write a model in another format: OUT ends with .obj, .glb, .gltf, .dae or .ply"
    def convert(model, out)
      writer_for(out) # before anything is read
      files = write(SheetTrace::Formats::Model.of_reading(read(model)), out)
      puts "#{files.join(", ")} written to #{File.dirname(out)}"
    end

    no_commands do
      def writer_for(out) = SheetTrace::Formats::WRITERS.fetch(File.extname(out).delete_prefix(".").downcase)

      # @return [Array<String>] the names of the files written
      def write(formats_model, out)
        written = writer_for(out).call(formats_model, base_name: File.basename(out, ".*"))
        written.files.each { |name, bytes| File.binwrite(File.join(File.dirname(out), name), bytes) }
        written.notes.each { |note| warn "sheet-trace: note: #{note.message}" } unless options[:json]
        written.files.keys
      end

      def underlay(path)
        Underlay
          .new(path)
          .tap { |underlay| underlay.notes.each { |note| warn "sheet-trace: note: #{note}" } unless options[:json] }
      end

      # @return [Array<Hash>]
      def landmarks(path)
        parsed = JSON.parse(File.read(path), symbolize_names: true)
        found = parsed.is_a?(Hash) ? parsed[:landmarks] : nil
        unless found.is_a?(Array)
          raise SheetTrace::InputError.new(
                  "#{File.basename(path)} has no list called landmarks; see docs/landmarks.md",
                  where: {
                    file: path
                  }
                )
        end

        found
      rescue JSON::ParserError => e
        raise SheetTrace::FormatError.new(
                "#{File.basename(path)} is no JSON: #{e.message.lines.first.to_s.slice(0, 100).chomp}",
                where: {
                  file: path
                }
              )
      end

      def read(model)
        ModelFiles
          .read(model)
          .tap do |reading|
            reading.notes.each { |note| warn "sheet-trace: note: #{note.message}" } unless options[:json]
          end
      end

      def start_job(reading, model)
        sheet = SheetTrace::Layout::Sheet.parse(options[:size])
        unit_mm = options[:unit_mm]&.to_f
        unless unit_mm.nil? || SheetTrace::Job::UNIT_MM.cover?(unit_mm)
          raise SheetTrace::InputError.new(
                  "unit-mm is #{options[:unit_mm]}; give a number from 0.000001 to 1000000",
                  where: {
                    unit_mm: unit_mm
                  }
                )
        end

        SheetTrace::Job.start(reading, source_name: File.basename(model), sheet: sheet, unit_mm: unit_mm)
      end
    end
  end
end

require_relative "commands_of_files"
