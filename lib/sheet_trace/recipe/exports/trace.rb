# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The wireframe template, in the format of the file's ending.
      module Trace
        extend Sized

        text :file,
             "path to write, ending with #{Formats::Drawings::KINDS.keys.map { |kind| ".#{kind}" }.join(", ")}",
             longest: 1000
        sized "the sheet's if nil", SheetTrace::Layout::Sheet::TEMPLATE_PX
        parameter :options, Parameters::Record.of(SheetTrace::Trace::Template), "how the lines are drawn", default: {}
        parameter :as, Parameters::Record.of(Job::TemplateFile), "what of the sheet, and how it is written", default: {}

        # @return [Hash{String => String}] path => bytes
        # @raise [InputError] where: { file: }
        def self.call(job, pictures:, file:, width_px:, height_px:, options:, as:)
          kind = File.extname(file).delete_prefix(".").downcase
          unless Formats::Drawings::KINDS.key?(kind)
            raise InputError.new(
                    "#{file} does not end with #{Formats::Drawings::KINDS.keys.join(", ")}",
                    where: {
                      file: file
                    }
                  )
          end

          {
            file =>
              Job::TemplateFile.call(
                job,
                size: sheet(job, width_px, height_px),
                title: File.basename(job.source_name, ".*"),
                pictures: pictures,
                file: {
                  **as,
                  format: kind
                },
                options: options
              )
          }
        end
      end
    end
  end
end
