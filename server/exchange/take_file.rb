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

      LARGEST = 200 * 1_048_576
      TOO_MANY = "too many files came at once; save this one again"
      private_constant :LARGEST, :TOO_MANY

      # @param workshop [Workshop]; exchanges [Store::Exchanges]
      def initialize(workshop, exchanges)
        @workshop = workshop
        @exchanges = exchanges
      end

      # @param folder [String] name of the job's folder; path [String] of the file in it
      # @param last_try [Boolean] what can't be read now is broken, and not only unfinished
      # @param too_many [Boolean] it came with too many others to be looked at
      # @raise [Unfinished]
      def call(folder, path, last_try:, too_many: false)
        id = @exchanges.job_of(folder) or return
        return broken(id, path, TOO_MANY) if too_many

        bytes = bytes_of(@exchanges.folder(id), path)
        digest = SheetTrace::Job::Snapshot.digest(bytes)
        return if @exchanges.file(id, path)&.fetch(:digest) == digest

        @exchanges.note(id, path, digest: digest, state: "taken", message: take(id, path, bytes))
      rescue Errno::ENOENT
        nil # it was moved away meanwhile
      rescue SheetTrace::FormatError => e
        raise Unfinished unless last_try

        broken(id, path, e.message, digest)
      rescue SheetTrace::Error, SystemCallError, Store::Jobs::Conflict, Store::Damaged => e
        broken(id, path, e.message, digest)
      end

      private

      def broken(id, path, message, digest = nil)
        @exchanges.note(id, path, digest: digest, state: "broken", message: message)
      end

      def bytes_of(folder, path)
        full = File.join(folder, path)
        inside = File.realpath(full).start_with?("#{File.realpath(folder)}/")
        raise SheetTrace::InputError, "#{path} leads out of the folder; copy the file into it" unless inside
        if File.size(full) > LARGEST
          raise SheetTrace::LimitError.new(
                  "#{path} has #{File.size(full) / 1_048_576} MB; up to #{LARGEST / 1_048_576} MB are taken",
                  where: {
                    limit: LARGEST,
                    got: File.size(full)
                  }
                )
        end

        File.binread(full)
      end

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
