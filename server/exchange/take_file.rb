# frozen_string_literal: true

require_relative "../exchange"

module SheetTraceServer
  module Exchange
    # Takes a file of an exchange folder into its job: each of its pictures replaces what it showed before, or becomes a
    # skin. A file that can't be taken leaves all as it was.
    class TakeFile
      # It is still being written.
      class Unfinished < StandardError
      end

      # @param workshop [Workshop]; exchanges [Store::Exchanges]
      def initialize(workshop, exchanges)
        @workshop = workshop
        @exchanges = exchanges
      end

      # @param folder [String] name of the job's folder; path [String] of the file in it
      # @param last_try [Boolean] what can't be read now is broken, and not only unfinished
      # @raise [Unfinished]
      def call(folder, path, last_try:)
        id = @exchanges.job_of(folder) or return
        bytes = File.binread(File.join(@exchanges.folder(id), path))
        digest = SheetTrace::Job::Snapshot.digest(bytes)
        return if @exchanges.file(id, path)&.fetch(:digest) == digest

        said = take(id, path, bytes)
        @exchanges.note(id, path, digest: digest, state: "taken", message: said)
      rescue Errno::ENOENT
        nil # it was moved away meanwhile
      rescue SheetTrace::FormatError, SheetTrace::LimitError => e
        raise Unfinished unless last_try

        @exchanges.note(id, path, digest: digest, state: "broken", message: e.message)
      rescue SheetTrace::Error, Store::Jobs::Conflict, Store::Damaged => e
        @exchanges.note(id, path, digest: digest, state: "broken", message: e.message)
      end

      private

      # @return [String] what was done
      def take(id, path, bytes)
        pictures, = SheetTrace::Formats::Pictures.open(bytes, name: File.basename(path))
        pictures = pictures.drop(1) if pictures.size > 1 # the layers, without what they make together
        folder = File.dirname(path)
        edition = folder == "." ? nil : folder
        said = pictures.flat_map { |picture| take_picture(id, picture, edition) }
        said.empty? ? "as it was" : said.join("; ")
      end

      def take_picture(id, picture, edition)
        digest = @workshop.jobs.keep_picture(id, picture.bytes, picture.name, picture.seen)
        file = SheetTrace::Artwork::PictureFile.seen(digest: digest, name: picture.name, **picture.seen)
        steps = SheetTrace::Job::ReturnedFile.call(@workshop.snapshot(id).job, file, picture.bytes, edition: edition)
        layer = nil
        steps.map do |name, parameters|
          own = parameters.transform_values { |value| value == :layer ? layer : value }
          said = @workshop.operate(id, @workshop.jobs.revision(id)[:id], name, own)
          layer = @workshop.snapshot(id).job.artwork.layers.last&.id
          said
        end
      end
    end
  end
end
