# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes a font file that was brought in into the job, for lettering.
    class AddFont < Operation
      parameter :file,
                References::Upload.new("font file") { |own| own.is_a?(Artwork::FontFile) },
                "as it was brought in"
      fact :font, Parameters::Text.new(200)

      def call(job)
        font = Artwork::Font.bring(file)
        if job.fonts.any? { |own| own.name == font.name }
          return change(job, "#{font.title} is there already", font: font.name)
        end

        change(job.with(fonts: job.fonts + [font]), "Font #{font.title} brought in", font: font.name)
      end
    end
  end
end
