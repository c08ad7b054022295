# frozen_string_literal: true

module SheetTrace
  # A job as a file: a model, pictures by name, operations as they are declared, and what is written at the end. It is
  # run without the screen, on the
  # same model or on a revised one. Immutable.
  #
  # Keys of the JSON: model, unit_mm, sheet, pictures, operations, exports; paths are relative to the recipe.
  class Recipe < Parameters::Declared
    # What can be written at the end. A new kind is a file in recipe/exports/, its test, and a line here.
    EXPORTS =
      Registry.new(
        "kind of export",
        "texture" => "SheetTrace::Recipe::Exports::Texture",
        "model" => "SheetTrace::Recipe::Exports::Model",
        "trace" => "SheetTrace::Recipe::Exports::Trace",
        "print" => "SheetTrace::Recipe::Exports::Print",
        "layout" => "SheetTrace::Recipe::Exports::Layout"
      )
    SHEET =
      Parameters::Record.new do
        whole :width_px, SheetTrace::Layout::Sheet::SIDE_PX, label: "width"
        whole :height_px, SheetTrace::Layout::Sheet::SIDE_PX, label: "height"
      end
    STEP =
      Parameters::Record.new do
        text :name
        parameter :parameters, Parameters::AnyHash.new, "of the operation", default: {}
      end
    private_constant :SHEET, :STEP

    text :model, "path of the model's file", longest: 1000, optional: true
    number :unit_mm, Job::UNIT_MM, "length of a model unit; as the file says, or else 1, if nil", optional: true
    parameter :sheet, SHEET, default: { width_px: 1024, height_px: 1024 }
    parameter :pictures, Parameters::AnyHash.new, "name => path of a picture's file", default: {}
    parameter :operations, Parameters::ListOf.new(STEP, sizes: 0..100_000, entry: "operation"), default: []
    parameter :exports,
              Parameters::ListOf.new(Parameters::AnyHash.new, sizes: 0..1000, entry: "export"),
              "each with kind and file, and what the kind takes",
              default: []

    # @param text [String] JSON
    # @param name [String] of the file, for messages
    # @param exports [Array<Hash>, nil] in the place of its own
    # @return [Recipe] checked
    # @raise [FormatError] where: { file: }
    def self.parse(text, name: "recipe", exports: nil)
      plain = JSON.parse(text, symbolize_names: true)
      unless plain.is_a?(Hash)
        raise FormatError.new("#{name} is no recipe: it holds no JSON object", where: { file: name })
      end

      new(**from_plain(exports ? { **plain, exports: exports } : plain)).validated(nil)
    rescue JSON::ParserError => e
      raise FormatError.new(
              "#{name} is no JSON: #{e.message.lines.first.to_s.slice(0, 100).chomp}",
              where: {
                file: name
              }
            )
    rescue InputError => e
      raise FormatError.new("#{name}: #{e.message}", where: { file: name })
    end

    # @return [String] JSON
    def to_json(*) = "#{JSON.pretty_generate(to_h.compact)}\n"

    # @return [Layout::Sheet]
    def sheet_size = Layout::Sheet.new(**sheet)
  end
end
