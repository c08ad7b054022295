# frozen_string_literal: true

module SheetTrace
  class Recipe
    # Does what a recipe says. It stops with the number of the step and the reason where the model or the pictures do
    # not agree.
    class Run
      # job [Job] at the end; sentences [Array<String>] what each step did; files [Hash{String => String}] path as the
      # recipe has it => bytes
      Result = Struct.new(:job, :sentences, :files, keyword_init: true)

      # @param recipe [Recipe]
      # @param reading [Formats::Reading] of the model
      # @param model_name [String] of its file
      # @param pictures [Hash{String => String}] name => bytes of the picture's file
      # @param skip [Array<Integer>] numbers of steps that are left out, counted from 1
      # @yieldparam sentence [String] of each step, as it is done
      # @return [Result]
      # @raise [Error] of the step; its message begins with the step; where: { step: } counted from 1, or { export: }
      def self.call(recipe, reading, model_name:, pictures: {}, skip: [], &block) =
        new(recipe, reading, model_name, pictures, skip).send(:run, &block)

      def initialize(recipe, reading, model_name, pictures, skip)
        @recipe = recipe
        @skip = skip
        @started =
          Job::Start.call(reading, source_name: model_name, sheet: recipe.sheet_size, unit_mm: recipe.unit_mm&.to_f)
        @bytes = {}
        @files = {}
        { **@started.pictures, **pictures }.each { |name, bytes| take(name, bytes) }
      end
      private_class_method :new

      private

      # A picture, a font or another model goes by its name and by the digest of its file.
      def take(name, bytes)
        return keep(name, Artwork::FontFile.of_bytes(bytes, name: name)) if Artwork::FontFile.font?(bytes)
        return keep(name, Job::ModelFile.of_bytes(bytes, name: name)) if Job::ModelFile.model?(name)

        opened = Formats::Pictures.open(bytes, name: name).first.first
        file = keep(name, Artwork::PictureFile.of_bytes(opened.bytes, name: name))
        @bytes[file.digest] = opened.bytes
      end

      def keep(name, file)
        [name, file.digest].each { |key| @files[key] = file }
        file
      end

      def run
        sentences = []
        job =
          @recipe
            .operations
            .each_with_index
            .reject { |_step, index| @skip.include?(index + 1) }
            .reduce(@started.job) do |so_far, (step, index)|
              at("step #{index + 1}, #{step[:name]}", step: index + 1) do
                change =
                  Operations.run(
                    Operations.from_plain(step[:name], step[:parameters]),
                    so_far,
                    pictures: @files.method(:[])
                  )
                sentences << change.sentence
                yield change.sentence if block_given?
                change.job
              end
            end
        Result.new(job: job, sentences: sentences, files: exported(job))
      end

      def exported(job)
        @recipe
          .exports
          .each_with_index
          .reduce({}) do |files, (export, index)|
            at("export #{index + 1}", export: index + 1) do
              kind = EXPORTS.fetch(export[:kind].to_s)
              values = kind.validated(kind.from_plain(export.except(:kind)), References::Context.new(job: job))
              files.merge(kind.call(job, pictures: @bytes.method(:fetch), **values)) do |path, before, after|
                next before if before == after

                raise InputError.new(
                        "#{path} is written by an export before it too, with other content; give one of them another " \
                          "name, or both the same size",
                        where: {
                          file: path
                        }
                      )
              end
            end
          end
      end

      # The same error, saying where in the recipe.
      def at(place, **where)
        yield
      rescue InvalidOperationError => e
        raise InvalidOperationError.new(["#{place}: #{e.message}"], where: { **e.where, **where })
      rescue Error => e
        raise e.class.new("#{place}: #{e.message}", where: { **e.where, **where })
      end
    end
  end
end
