# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Fonts that were brought in for lettering: Artwork::Font each. Their files are kept with the job.
      module Fonts
        extend AsItIs

        def self.default = []
        def self.pack(fonts, packing) = fonts.map { |font| packing.keep(font.bytes) }

        def self.unpack(digests, unpacking)
          digests.map do |digest|
            SheetTrace::Artwork::Font.bring(
              SheetTrace::Artwork::FontFile.new(digest: digest, name: digest, bytes: unpacking.blob(digest))
            )
          end
        end
      end
    end
  end
end
