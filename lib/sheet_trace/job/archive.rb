# frozen_string_literal: true

module SheetTrace
  class Job
    # A whole job as one file: a zip of job.json, which says all of it, the arrays that it names by their digests, its
    # pictures and the model as it came. docs/formats.md describes it.
    module Archive
      HEAD = "job.json"
      KIND = "sheet-trace job"
      FORMAT = 1
      ARRAYS = "arrays/"
      private_constant :HEAD, :KIND, :FORMAT, :ARRAYS

      # snapshot [Snapshot]; name [String]; pictures [Array<Array(String, String)>] file names and bytes
      # model_files [Hash{String => String}]; steps [Array<Hash>] operations that it was made by
      # notes [Array<String>] what could not be read
      Opened = Struct.new(:snapshot, :name, :pictures, :model_files, :steps, :notes, keyword_init: true)

      # @param job [Job]
      # @param name [String]
      # @param pictures [Array<Array(String, String)>] file names and bytes
      # @param model_files [Hash{String => String}] file name => bytes
      # @param steps [Array<Hash>] operations that it was made by, as in JSON
      # @return [Hash{String => String}] the zip's files
      def self.files(job, name:, pictures: [], model_files: {}, steps: [])
        snapshot = Snapshot.dump(job)
        listed =
          pictures.each_with_index.map { |(file, bytes), i| [format("pictures/%03d-%s", i + 1, file), file, bytes] }
        head = {
          kind: KIND,
          format: FORMAT,
          name: name,
          document: snapshot.document,
          steps: steps,
          pictures: listed.map { |path, file, bytes| { path: path, name: file, digest: Snapshot.digest(bytes) } },
          model: model_files.keys
        }
        {
          HEAD => JSON.pretty_generate(head),
          **snapshot.blobs.transform_keys { |digest| "#{ARRAYS}#{digest}.bin" },
          **listed.to_h { |path, _file, bytes| [path, bytes] },
          **model_files.transform_keys { |file| "model/#{file}" }
        }
      end

      # @param bytes [String] of a file
      # @return [Boolean] whether it is such a zip, by its list of files
      def self.archive?(bytes) =
        Formats::Zip::Reader.zip?(bytes) && bytes.b.include?(HEAD.b) && bytes.b.include?(ARRAYS.b)

      # Opens it as far as it goes: layers without their picture are left out, and where its arrays are damaged the
      # model is started from anew; notes say so.
      #
      # @param bytes [String]
      # @param file [String] its name, for messages
      # @return [Opened]
      # @raise [FormatError] where nothing of it can be opened; [UnsupportedFeatureError] if it is of a newer version
      def self.open(bytes, file:) = Opening.new(Formats::Zip::Reader.call(bytes, name: file), file).call

      # One archive that is opened.
      class Opening
        def initialize(files, file)
          @files = files
          @file = file
          @notes = []
          @head = head
        end

        # @return [Opened]
        def call
          job = job_of_document || job_of_model
          pictures = readable_pictures
          job = without_missing(job, pictures)
          Opened.new(
            snapshot: Snapshot.dump(job),
            name: @head[:name].to_s[0, 80],
            pictures: pictures,
            model_files: model_files,
            steps: @head.fetch(:steps, []),
            notes: @notes
          )
        end

        private

        def head
          head = JSON.parse(@files[HEAD].to_s, symbolize_names: true)
          raise FormatError, "#{@file} is no job file; bring one that was saved here" unless head[:kind] == KIND
          return head if head[:format] == FORMAT

          raise UnsupportedFeatureError.new(
                  "#{@file} was saved by a newer version; update Sheet Trace to open it",
                  where: {
                    version: head[:format]
                  }
                )
        rescue JSON::ParserError
          raise FormatError.new("#{@file}: its #{HEAD} is damaged; save the job anew", where: { file: @file })
        end

        def job_of_document
          Snapshot.load(@head[:document], method(:array)).job
        rescue UnsupportedFeatureError
          raise
        rescue FormatError => e
          @notes << "#{e.message}; it was started anew from its model"
          nil
        end

        def array(digest)
          bytes = @files["#{ARRAYS}#{digest}.bin"]
          return bytes if bytes && Snapshot.digest(bytes) == digest

          raise FormatError, "#{@file}: the array #{digest[0, 8]} is #{bytes ? "damaged" : "missing"}"
        end

        def job_of_model
          raise FormatError, "#{@notes.last}, which it does not hold" if model_files.empty?

          Job.start(Formats.read_files(model_files), source_name: model_files.keys.first)
        end

        def model_files = @model_files ||= Array(@head[:model]).to_h { |name| [name, @files["model/#{name}"]] }.compact

        # @return [Array<Array(String, String)>]
        def readable_pictures
          Array(@head[:pictures]).filter_map do |picture|
            bytes = @files[picture[:path]]
            next picture[:name], bytes if bytes && Snapshot.digest(bytes) == picture[:digest]

            @notes << "#{picture[:name]} is #{bytes ? "damaged" : "missing"}, and what showed it was left out"
            nil
          end
        end

        # Without what shows a picture that could not be read.
        def without_missing(job, pictures)
          known = pictures.map { |_name, bytes| Snapshot.digest(bytes) }
          lacking = Array(@head[:pictures]).map { |picture| picture[:digest] } - known
          return job if lacking.empty?

          lost = job.artwork.layers.select { |layer| (layer.content.pictures.map(&:digest) & lacking).any? }
          stack = lost.reduce(job.artwork) { |own, layer| own.remove(layer.id) }
          kept = job.fit_setup.underlays.none? { |underlay| lacking.include?(underlay.picture) }
          job.with(artwork: stack, fit_setup: kept ? job.fit_setup : Fit::Setup.new)
        end
      end
      private_constant :Opening
    end
  end
end
