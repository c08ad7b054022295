# frozen_string_literal: true

require "fileutils"
require "pathname"

module SheetTraceCli
  # A recipe on the disk, with the model and the pictures that it names.
  class Recipes
    # @param path [String] of the recipe
    # @param model [String, nil] path of another model than its own
    # @param exports [Array<Hash>, nil] in the place of its own
    # @param skip [String, nil] numbers of steps that are left out, parted by commas
    # @raise [SheetTrace::Error] as SheetTrace::Recipe.parse says, or if skip is no list of numbers
    def initialize(path, model: nil, exports: nil, skip: nil)
      @path = path
      @skip = skip.to_s.split(",").map { |number| Integer(number.strip, 10) }
      @recipe = SheetTrace::Recipe.parse(File.read(path), name: File.basename(path), exports: exports)
      @model =
        model ||
          beside(
            @recipe.model ||
              raise(
                SheetTrace::InputError.new(
                  "#{File.basename(path)} names no model; say one with --model",
                  where: {
                    model: nil
                  }
                )
              )
          )
    rescue ArgumentError
      raise SheetTrace::InputError.new(
              "--skip is #{skip.inspect}; give numbers of steps, such as 3,5",
              where: {
                skip: skip
              }
            )
    end

    # @yieldparam sentence [String] of each step
    # @return [SheetTrace::Recipe::Run::Result]
    def call(&)
      pictures = @recipe.pictures.to_h { |name, file| [name.to_s, picture(name, file.to_s)] }
      SheetTrace::Recipe::Run.call(
        @recipe,
        ModelFiles.read(@model),
        model_name: File.basename(@model),
        pictures: pictures,
        skip: @skip,
        &
      )
    end

    # @return [Array<String>] the names of the files written
    # @raise [SheetTrace::InputError] where a file would lie outside the folder; where: { file: }
    def write(result, folder)
      root = File.expand_path(folder)
      result.files.map do |name, bytes|
        target = File.expand_path(name, root)
        unless target.start_with?("#{root}/")
          raise SheetTrace::InputError.new("#{name} would be written outside #{folder}", where: { file: name })
        end

        FileUtils.mkdir_p(File.dirname(target))
        File.binwrite(target, bytes)
        name
      end
    end

    # @param job [String] name or id; database [String] path
    # @return [Hash{String => String}] file name => bytes
    # @raise [SheetTrace::InputError] if there is no such job; where: { job: }
    def self.save(job, database)
      unless File.exist?(database)
        raise SheetTrace::InputError.new(
                "there is no database #{database}; say where it is with --database",
                where: {
                  database: database
                }
              )
      end

      require_relative "../server/app"
      jobs = SheetTraceServer::Store::Jobs.new(SheetTraceServer::Store::Database.open(database))
      found = jobs.list.find { |row| [row[:id], row[:name]].include?(job) }
      unless found
        raise SheetTrace::InputError.new(
                "there is no job #{job.inspect}; there are #{jobs.list.map { |row| row[:name] }.join(", ")}",
                where: {
                  job: job
                }
              )
      end

      SheetTraceServer::Workshop.new(jobs).recipe_files(found[:id])
    end

    private

    # The bytes of a picture that the recipe names.
    def picture(name, file)
      File.binread(beside(file))
    rescue SystemCallError
      raise SheetTrace::InputError.new(
              "#{File.basename(@path)}: picture #{name} is not at #{file}; put it beside the recipe, or name another",
              where: {
                picture: name
              }
            )
    end

    def beside(file) = File.expand_path(file, File.dirname(@path))
  end
end
