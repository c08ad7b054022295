# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives the job colours to paint with, from plain text.
    class SetPalette < Operation
      text :palette, "a colour and a name a line: #2f5a45 pine", longest: 50_000, empty: true

      def call(job)
        swatches = Artwork::Swatch.read(palette)
        change(job.with(palette: swatches), "Palette of #{Phrases.count(swatches.size, "colour")}")
      end
    end
  end
end
