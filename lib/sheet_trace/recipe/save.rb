# frozen_string_literal: true

module SheetTrace
  class Recipe
    # A job's steps as a recipe, with the files that it names.
    module Save
      # @param first [Job] as it was started
      # @param operations [Array<Hash>] name:, parameters: of all steps since, as in JSON
      # @param model [Hash{String => String}] file name => bytes: the model's own files; written anew from the first
      #   job if there are none
      # @param pictures [Hash{Hash => String}] digest:, name: => bytes
      # @param name [String] of the recipe and of what it writes, without ending
      # @return [Hash{String => String}] file name => bytes
      def self.call(first, operations, model:, pictures:, name:)
        files =
          (
            if model.empty?
              Formats::Obj::Writer.call(Formats::Model.of_layout(first.layout), base_name: name).files
            else
              model
            end
          )
        main = Formats::Bundle.open(files).model.first
        named = unique_names(pictures.keys, files.keys)
        recipe =
          Recipe.new(
            model: files.size == 1 ? files.keys.first : main,
            unit_mm: first.unit_mm,
            sheet: first.sheet.to_h,
            pictures: named.values.to_h { |file| [file, file] },
            operations:
              operations.map { |step| { name: step[:name], parameters: with_names(step[:parameters], named) } },
            exports: exports(first, name)
          )
        { "#{name}.json" => recipe.to_json, **files, **pictures.transform_keys { |picture| named[picture[:digest]] } }
      end

      # @return [Hash{String => String}] digest => a file name that no other has
      def self.unique_names(pictures, taken)
        pictures.each_with_object({}) do |picture, names|
          plain = File.basename(picture[:name]).gsub(/[^\w. -]+/, "-")
          used = taken + names.values
          names[picture[:digest]] = (1..)
            .lazy
            .map { |number| number == 1 ? plain : plain.sub(/(?=\.\w+\z)|\z/, "-#{number}") }
            .find { |file| !used.include?(file) }
        end
      end

      # Pictures go by their digests in a job, and by their names in a recipe.
      def self.with_names(value, named)
        case value
        when Hash
          value.transform_values { |part| with_names(part, named) }
        when Array
          value.map { |part| with_names(part, named) }
        when String
          named.fetch(value, value)
        else
          value
        end
      end

      def self.exports(job, name)
        size = job.sheet.to_h
        [
          { kind: "texture", file: "#{name}.png", **size },
          { kind: "model", file: "#{name}.obj" },
          { kind: "trace", file: "#{name}-trace.png", **size }
        ]
      end
      private_class_method :unique_names, :with_names, :exports
    end
  end
end
