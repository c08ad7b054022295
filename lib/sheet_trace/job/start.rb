# frozen_string_literal: true

module SheetTrace
  class Job
    # Starts a job from a model that was read, wearing the pictures that its materials name.
    module Start
      # job [Job]; pictures [Hash{String => String}] file name => bytes, of those that it wears
      Started = Struct.new(:job, :pictures, keyword_init: true)

      # @param reading [Formats::Reading]
      # @param options [Hash] source_name:, sheet:, unit_mm: as Job.start
      # @return [Started] pictures that can't be shown are told in the job's notes
      def self.call(reading, **options)
        job = Job.start(reading, **options)
        files, notes = readable(reading.images)
        job = job.with(source: job.source.with(notes: job.source.notes + notes)) if notes.any?
        Started.new(job: SkinsFromMaterials.call(job, files), pictures: reading.images.slice(*files.keys))
      end

      # @return [Array(Hash{String => Artwork::PictureFile}, Array<Formats::Note>)] by file name, and a note for
      #   each that can't be shown
      def self.readable(images)
        notes = []
        files =
          images.filter_map do |name, bytes|
            [name, Artwork::PictureFile.of_bytes(bytes, name: name)]
          rescue Error => e
            notes << Formats::Note.new(code: "picture_not_read", message: e.message, where: { file: name })
            nil
          end
        [files.to_h, notes]
      end
      private_class_method :readable
    end
  end
end
