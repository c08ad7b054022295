# frozen_string_literal: true

require "securerandom"
require_relative "blobs"
require_relative "reserve"

module SheetTraceServer
  module Store
    # Jobs and their revisions. One change is one transaction and one revision; undo and redo move the
    # job's pointer along them.
    class Jobs
      # What a job is made of, beside its own row.
      COPIED = {
        revisions: %i[number description operation document page mark created_at],
        pictures: %i[digest name media_type width_px height_px],
        model_files: %i[position name digest],
        blob_uses: %i[digest]
      }.freeze
      # What tells fonts and models from pictures, which are kept side by side.
      FONT = "font/sfnt"
      MODEL = "model/any"
      private_constant :COPIED

      # The job or revision asked for is not there.
      class NotFound < StandardError
      end

      # The change was made to a revision that is no longer the one shown.
      class Conflict < StandardError
      end

      # @return [Blobs]
      attr_reader :blobs

      def initialize(database)
        @database = database
        @blobs = Blobs.new(database)
        @reserve = Reserve.new(database.opts[:database])
      end

      # @return [Array<Hash>] id, name, updated_at, revision_id; the last changed first
      def list
        @database[:jobs].select(:id, :name, :updated_at, :revision_id).reverse(:updated_at, Sequel.lit("rowid")).all
      end

      def empty? = @database[:jobs].empty?

      # @return [Hash] the row of jobs
      # @raise [NotFound]
      def find(id)
        @database[:jobs].first(id: id) || raise(NotFound, "This job doesn't exist. It may have been removed.")
      end

      # @return [Hash] the row of revisions, the one shown if no id is given
      # @raise [NotFound]
      def revision(id, revision_id = nil)
        @database[:revisions].first(job_id: id, id: revision_id || find(id)[:revision_id]) ||
          raise(NotFound, "This revision doesn't exist. It was replaced by a later change.")
      end

      # @param pictures [#map] of file names and bytes, brought along
      # @param model_files [Hash{String => String}] file name => bytes: the model as it came, to be started from again
      # @param operation [Hash] what the first revision was made with
      # @return [String] the new job's id
      def create(name, snapshot, description, pictures: {}, model_files: {}, operation: {})
        id = SecureRandom.alphanumeric(10).downcase
        now = Time.now
        seen =
          pictures.map { |file, bytes| [file, bytes, SheetTrace::Artwork::Picture.inspect_file(bytes, name: file)] }
        digests = model_files.transform_values { |bytes| SheetTrace::Job::Snapshot.digest(bytes) }
        packed = Blobs.pack(snapshot.blobs.merge(digests.to_h { |file, digest| [digest, model_files[file]] }))
        @database.write do
          @database[:jobs].insert(id: id, name: name, created_at: now, updated_at: now)
          seen.each { |file, bytes, facts| insert_picture(id, bytes, file, facts) }
          @blobs.keep(id, packed)
          digests.each_with_index do |(file, digest), position|
            @database[:model_files].insert(job_id: id, position: position, name: file, digest: digest)
          end
          append(id, 1, snapshot, description, operation)
        end
        id
      end

      # @return [Hash{String => String}] file name => bytes: the model as it came; empty where it did not come as a file
      def model_files(id)
        @database[:model_files]
          .where(job_id: id)
          .order(:position)
          .to_h { |row| [row[:name], @blobs.fetch(row[:digest])] }
      end

      # @return [Array<Hash>] rows of revisions from the first to the one shown
      def revisions_until_shown(id)
        shown = revision(id)
        @database[:revisions].where(job_id: id) { number <= shown[:number] }.order(:number).all
      end

      # Adds a revision after the one shown; what was undone before is dropped.
      #
      # @param base_revision_id [Integer] the revision the change was made to
      # @param page [String, nil] the open page that made it
      # @raise [Conflict]
      def commit(id, base_revision_id, snapshot, description, operation, page: nil)
        packed = Blobs.pack(snapshot.blobs)
        @database.write do
          shown = revision(id)
          raise Conflict, "the job was changed elsewhere; it is shown anew" if shown[:id] != base_revision_id

          @database[:revisions].where(job_id: id) { number > shown[:number] }.delete
          @blobs.keep(id, packed)
          append(id, shown[:number] + 1, snapshot, description, operation, page)
        end
      end

      # @param by [Integer] -1 for undo, 1 for redo
      # @return [Hash, nil] the revision undone or redone; nil if there is none
      def step(id, by)
        @database.write do
          shown = revision(id)
          target = @database[:revisions].first(job_id: id, number: shown[:number] + by)
          next unless target

          @database[:jobs].where(id: id).update(revision_id: target[:id], updated_at: Time.now)
          by.negative? ? shown : target
        end
      end

      # @return [Array<Hash>] rows of revisions without their documents, the last one first
      def states(id)
        find(id)
        columns = %i[id number description page created_at mark]
        @database[:revisions].where(job_id: id).reverse(:number).select(*columns).all
      end

      # @param name [String, nil] none if nil
      def mark(id, revision_id, name)
        revision(id, revision_id)
        @database.write { @database[:revisions].where(id: revision_id).update(mark: name) }
      end

      # @return [Hash] rows of revisions: undo, the one that would be undone, and redo; nil where there is nothing to
      def history(id)
        shown = revision(id)
        {
          undo: shown[:number] > 1 ? shown : nil,
          redo: @database[:revisions].first(job_id: id, number: shown[:number] + 1)
        }
      end

      def rename(id, name)
        find(id)
        @database.write { @database[:jobs].where(id: id).update(name: name, updated_at: Time.now) }
      end

      # Another job just like it, with its history; the bytes of both are the same.
      #
      # @return [String] the copy's id
      def copy(id)
        copy_id = SecureRandom.alphanumeric(10).downcase
        @database.write do
          found = find(id)
          now = Time.now
          @database[:jobs].insert(id: copy_id, name: copy_name(found[:name]), created_at: now, updated_at: now)
          COPIED.each { |table, columns| copy_rows(table, columns, id, copy_id) }
          shown = @database[:revisions].where(id: found[:revision_id]).get(:number)
          revision_id = @database[:revisions].where(job_id: copy_id, number: shown).get(:id)
          @database[:jobs].where(id: copy_id).update(revision_id: revision_id)
        end
        copy_id
      end

      def delete(id)
        find(id)
        @reserve.lent do
          @database.write do
            @database[:jobs].where(id: id).delete
            @blobs.delete_unused
          end
        end
      end

      # @param seen [Hash] what Artwork::Picture.inspect_file gives
      # @return [String] digest
      def keep_picture(id, bytes, name, seen)
        find(id)
        @database.write { insert_picture(id, bytes, name, seen) }
      end

      # @return [Array<Hash>] digest, name, media_type, width_px, height_px
      def pictures(id) = files(id).reject { |row| [FONT, MODEL].include?(row[:media_type]) }

      # @return [Array<Hash>] of pictures, fonts and models
      def files(id) = @database[:pictures].where(job_id: id).order(Sequel.lit("rowid")).all

      # @raise [NotFound]
      def picture(id, digest)
        @database[:pictures].first(job_id: id, digest: digest) ||
          raise(NotFound, "this picture is not in the job; bring it in again")
      end

      private

      def copy_rows(table, columns, id, copy_id)
        rows = @database[table].where(job_id: id)
        @database[table].insert([:job_id, *columns], rows.select(Sequel[copy_id].as(:job_id), *columns))
      end

      # "caddy copy", "caddy copy 2", ..., not longer than names may be.
      def copy_name(name)
        stem = "#{name[0, 70].sub(/ copy( \d+)?\z/, "")} copy"
        taken = @database[:jobs].where(Sequel.like(:name, "#{@database[:jobs].escape_like(stem)}%")).select_map(:name)
        (1..).lazy.map { |number| number == 1 ? stem : "#{stem} #{number}" }.find { |free| !taken.include?(free) }
      end

      def insert_picture(id, bytes, name, seen)
        digest = SheetTrace::Job::Snapshot.digest(bytes)
        @blobs.keep(id, Blobs.pack({ digest => bytes }, deflate: false))
        @database[:pictures].insert_conflict.insert(job_id: id, digest: digest, name: name, **seen)
        digest
      end

      def append(id, number, snapshot, description, operation, page = nil)
        revision_id =
          @database[:revisions].insert(
            job_id: id,
            number: number,
            description: description,
            operation: JSON.generate(operation),
            document: JSON.generate(snapshot.document),
            page: page,
            created_at: Time.now
          )
        @database[:jobs].where(id: id).update(revision_id: revision_id, updated_at: Time.now)
        revision_id
      end
    end
  end
end
