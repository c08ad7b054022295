# frozen_string_literal: true

require "zlib"

module SheetTraceServer
  module Store
    # Bytes by the digest of their content. Each job notes which it uses; what no job uses is deleted.
    class Blobs
      def initialize(database)
        @database = database
      end

      # @param digest [String]
      # @return [String]
      def fetch(digest)
        row = @database[:blobs].first(digest: digest) or raise KeyError, "blob #{digest} is not in the store"
        row[:deflated] ? Zlib.inflate(row[:bytes]) : String.new(row[:bytes])
      end

      # @param blobs [Hash{String => String}] digest => bytes
      # @param deflate [Boolean] false for what is compressed already
      def keep(job_id, blobs, deflate: true)
        blobs.each do |digest, bytes|
          unless @database[:blobs].where(digest: digest).any?
            packed = deflate ? Zlib.deflate(bytes, Zlib::BEST_SPEED) : bytes
            @database[:blobs].insert(digest: digest, bytes: Sequel.blob(packed), deflated: deflate)
          end
          @database[:blob_uses].insert_conflict.insert(job_id: job_id, digest: digest)
        end
      end

      def delete_unused
        @database[:blobs].exclude(digest: @database[:blob_uses].select(:digest)).delete
      end
    end
  end
end
