# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # An island in true size for print, as PDF or SVG by the file's ending.
      module Print
        extend Parameters

        text :file, "path to write, ending with .pdf or .svg", longest: 1000
        parameter :options, Parameters::Record.of(Job::PrintFile), "which island, and how"

        # @return [Hash{String => String}] path => bytes
        def self.call(job, pictures:, file:, options:)
          {
            file =>
              Job::PrintFile.call(
                job,
                title: File.basename(job.source_name, ".*"),
                pictures: pictures,
                **options,
                format: File.extname(file).delete_prefix(".").downcase
              )
          }
        end
      end
    end
  end
end
