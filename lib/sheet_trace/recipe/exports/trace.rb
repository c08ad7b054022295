# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The wireframe template as PNG.
      module Trace
        extend Sized

        text :file, "path to write, ending with .png", longest: 1000
        sized "the sheet's if nil"
        parameter :options, Parameters::Record.of(SheetTrace::Trace::Template), "how the lines are drawn", default: {}

        # @return [Hash{String => String}] path => bytes
        def self.call(job, file:, width_px:, height_px:, options:, **)
          size = sheet(job, width_px, height_px)
          png(file, job, size) { SheetTrace::Trace::Template.call(job.layout, size: size, **options).to_image }
        end
      end
    end
  end
end
