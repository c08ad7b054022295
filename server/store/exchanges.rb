# frozen_string_literal: true

require "fileutils"

module SheetTraceServer
  module Store
    # The exchange folders of jobs: where they are, and what came of each file in them.
    class Exchanges
      # Names that are watched, beside those that begin with a dot or end as copies in the making do.
      PICTURES = %w[.png .jpg .jpeg .webp .tif .tiff .tga .svg .ora].freeze
      # given: written by us; taken: shown on the model; broken: not taken, the last good one stays
      STATES = %w[given taken broken].freeze

      # @param database [Sequel::Database]; path [String] of its file: folders are beside it
      # @return [String] where all of them are
      def self.root(path) = File.join(File.dirname(File.expand_path(path)), "exchange")

      # @param path [String] within a folder
      # @return [Boolean] whether a file is looked at
      def self.picture?(path)
        name = File.basename(path)
        PICTURES.include?(File.extname(name).downcase) && !name.start_with?(".", "~") && path.count("/") <= 1
      end

      def initialize(database, path)
        @database = database
        @root = Exchanges.root(path)
      end

      # @return [String, nil] path of a job's folder
      def folder(job_id) =
        @database[:exchanges].where(job_id: job_id).get(:folder)&.then { |name| File.join(@root, name) }

      # @param name [String] of a folder, without the path
      # @return [String, nil] the job's id
      def job_of(name) = @database[:exchanges].where(folder: name).get(:job_id)

      # @param title [String] of the job
      # @return [String] path of the folder, which is there now
      def open(job_id, title)
        path = folder(job_id)
        unless path
          name = "#{SheetTrace::Job::Deliver.base_name("#{title}.job")}-#{job_id[0, 6]}"
          @database.write { @database[:exchanges].insert(job_id: job_id, folder: name) }
          path = File.join(@root, name)
        end
        FileUtils.mkdir_p(path)
        path
      end

      # What is in the folder stays.
      def close(job_id)
        @database.write do
          @database[:exchanges].where(job_id: job_id).delete
          @database[:exchange_files].where(job_id: job_id).delete
        end
      end

      # @return [Array<Hash>] path, digest, state, message, came_at; the last one first
      def files(job_id) = @database[:exchange_files].where(job_id: job_id).reverse(:came_at).all

      # @return [Hash, nil]
      def file(job_id, path) = @database[:exchange_files].first(job_id: job_id, path: path)

      # @param state [String] of STATES
      def note(job_id, path, state:, message:, digest: nil)
        row = { job_id: job_id, path: path, digest: digest, state: state, message: message, came_at: Time.now }
        @database.write { @database[:exchange_files].insert_conflict(:replace).insert(row) }
      end
    end
  end
end
