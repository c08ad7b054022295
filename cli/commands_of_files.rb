# frozen_string_literal: true

require_relative "carrying"
require_relative "recipes"
require_relative "tracing"

module SheetTraceCli
  # The commands that write what leaves: templates, textured models, print.
  class CommandLine
    desc "trace MODEL", "write the wireframe template in the format of the file's ending"
    option :size, required: true, desc: "of the template: px, such as 2048x2048, or a length, such as 120x60mm"
    option :dpi, type: :numeric, desc: "px to an inch, for a size in mm, cm or in; and what the file says"
    option :out, aliases: "-o", required: true, desc: "the file to write: .png .tif .tga .jpg .webp .svg .pdf .ora"
    option :line, type: :numeric, default: 1, desc: "line width, px"
    option :color, default: "#1f2a36"
    option :background, default: "none", desc: "none, white, checker or #rrggbb"
    option :edges, default: "all", desc: "all or outline"
    option :diagonals, type: :boolean, default: true, desc: "without: no lines across flat four-sided faces"
    option :hard, type: :boolean, default: false, desc: "no shades between line and ground"
    option :fill, default: "none", desc: "none, tint, materials or facing"
    option :marks, default: "", desc: "names,letters,sides,arrows,folds,neighbours,rulers,centres,twins,ticks,title"
    option :crop, type: :boolean, default: false, desc: "only what the islands lie on"
    option :paper, desc: "of PDF, over as many pages as it takes: a4, a3 or letter"
    option :hairlines, type: :boolean, default: false, desc: "of SVG: borders as thin as can be, for a cutter"
    option :json, type: :boolean
    def trace(model)
      tracing = Tracing.new(read(model), model, options)
      File.binwrite(options[:out], tracing.bytes)
      puts options[:json] ? JSON.pretty_generate(tracing.to_h) : tracing.to_text
    end

    desc "deliver RECIPE", "do what a recipe says, and write the textured model in the format of the file's ending"
    option :model, desc: "another model than the recipe's"
    option :out, aliases: "-o", required: true, desc: "the model to write: .obj, .glb, .gltf, .dae or .ply"
    option :size, desc: "of the textures: px, such as 2048x2048; the sheet's if it is left out"
    option :image, default: "png", desc: "of the textures: png, tif, tga, jpg or webp"
    option :editions, desc: "their names, with commas between; the one shown if it is left out"
    option :alpha, default: "keep", desc: "keep, drop or apart"
    option :up, default: "y", desc: "y or z"
    option :unit, desc: "mm, cm, m or in"
    option :one_material, type: :boolean, default: false
    option :bleed, type: :boolean, default: true
    option :manifest, type: :boolean, default: false, desc: "a list of what each file is"
    option :receivers, desc: "a file of receivers, as the application saves it"
    option :receiver, desc: "one of them: its options in the place of those above, and its rules are kept"
    option :json, type: :boolean
    def deliver(recipe)
      size = options[:size] && SheetTrace::Layout::DocumentSize.parse(options[:size])
      chosen = %i[image alpha up unit one_material bleed manifest].to_h { |name| [name, options[name]] }.compact
      chosen[:editions] = options[:editions].split(",") if options[:editions]
      export = { kind: "model", file: File.basename(options[:out]), options: chosen, **size.to_h }
      written(recipe, options[:receiver] ? { **export, receiver: receiver.to_plain } : export)
    end

    desc "print RECIPE", "do what a recipe says, and write an island in true size for print: .pdf or .svg"
    option :model, desc: "another model than the recipe's"
    option :out, aliases: "-o", required: true, desc: "the file to write: .pdf or .svg"
    option :island, required: true, desc: "its name, or its number from 0"
    option :kind, default: "label", desc: "label or fold"
    option :dpi, type: :numeric, default: 300
    option :bleed, type: :numeric, default: 3, desc: "mm"
    option :safe, type: :numeric, default: 3, desc: "mm"
    option :overlap, type: :numeric, default: 0, desc: "mm by which a band goes on past its join"
    option :art, type: :boolean, default: true
    option :paper, desc: "of PDF: a4, a3 or letter"
    option :json, type: :boolean
    def print(recipe)
      island = Integer(options[:island], 10, exception: false) || options[:island]
      lengths = { bleed_mm: options[:bleed], safe_mm: options[:safe], overlap_mm: options[:overlap] }
      chosen = { island: island, **lengths, **%i[kind dpi art paper].to_h { |name| [name, options[name]] }.compact }
      written(recipe, { kind: "print", file: File.basename(options[:out]), options: chosen })
    end

    desc "carry OLD_MODEL OLD_IMAGE NEW_MODEL", "carry what is painted on one map of a surface onto another"
    option :size, desc: "of the image: px, such as 2048x2048; that of the old one if it is left out"
    option :out, aliases: "-o", required: true, desc: "the image to write: .png .tif .tga .jpg .webp"
    option :tolerance, type: :numeric, desc: "units of the model that faces may have moved by"
    option :bleed, type: :numeric, default: 4, desc: "px by which paint goes past islands' edges"
    option :json, type: :boolean
    def carry(old_model, old_image, new_model)
      carrying = Carrying.new(read(old_model), ModelFiles.bytes(old_image), read(new_model), options)
      File.binwrite(options[:out], carrying.bytes)
      puts options[:json] ? JSON.pretty_generate(carrying.to_h) : carrying.to_text
    end

    no_commands do
      # @return [SheetTrace::Job::Receiver] the one that is named
      # @raise [SheetTrace::InputError]
      def receiver
        path = options[:receivers] or raise SheetTrace::InputError, "--receiver needs --receivers, the file that has it"
        all = SheetTrace::Job::Receiver.read(File.read(path), name: File.basename(path))
        all.find { |own| own.name == options[:receiver] } ||
          raise(
            SheetTrace::UnknownNameError,
            "there is no receiver #{options[:receiver].inspect} in #{path}; there are #{all.map(&:name).join(", ")}"
          )
      end

      # Runs a recipe with one export in the place of its own.
      def written(recipe, export)
        running = Recipes.new(recipe, model: options[:model], exports: [export])
        result = running.call
        files = running.write(result, File.dirname(options[:out]))
        sizes = result.files.transform_values(&:bytesize)
        puts options[:json] ? JSON.pretty_generate({ files: sizes }) : "#{files.join(", ")} written"
      end
    end
  end
end
