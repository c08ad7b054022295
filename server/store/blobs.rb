# frozen_string_literal: true

require "zlib"
require_relative "failures"

module SheetTraceServer
  module Store
    # Bytes by the digest of their content. Each job notes which it uses; what no job uses is deleted.
    class Blobs
      # A blob as it is kept.
      Packed = Struct.new(:digest, :bytes, :deflated)

      # @param blobs [Hash{String => String}] digest => bytes
      # @param deflate [Boolean] false for what is compressed already
      # @return [Array<Packed>] to be kept: packed before the store is written to, as that takes time
      def self.pack(blobs, deflate: true)
        blobs.map do |digest, bytes|
          Packed.new(digest, deflate ? Zlib.deflate(bytes, Zlib::BEST_SPEED) : bytes, deflate)
        end
      end

      def initialize(database)
        @database = database
      end

      # @param digest [String]
      # @return [String]
      # @raise [Damaged] if it is not there, or not as it was kept
      def fetch(digest)
        row = @database[:blobs].first(digest: digest) or raise Damaged, "a part of this job is missing in the store"
        bytes = row[:deflated] ? Zlib.inflate(row[:bytes]) : String.new(row[:bytes])
        return bytes if SheetTrace::Job::Snapshot.digest(bytes) == digest

        raise Damaged, "a part of this job is damaged in the store"
      rescue Zlib::Error
        raise Damaged, "a part of this job is damaged in the store"
      end

      # @param packed [Array<Packed>]
      def keep(job_id, packed)
        packed.each do |blob|
          row = { **blob.to_h, bytes: Sequel.blob(blob.bytes) }
          @database[:blobs].insert_conflict.insert(row)
          @database[:blob_uses].insert_conflict.insert(job_id: job_id, digest: blob.digest)
        end
      end

      def delete_unused
        @database[:blobs].exclude(digest: @database[:blob_uses].select(:digest)).delete
      end
    end
  end
end
