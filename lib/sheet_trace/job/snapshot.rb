# frozen_string_literal: true

module SheetTrace
  class Job
    # A job as a document of plain values and the blobs it names by digest, for keeping. The document says its
    # version; older ones are brought up to
    # date by Upgrade, newer ones are refused.
    class Snapshot
      VERSION = 6

      # @return [Job]
      attr_reader :job
      # @return [Hash] JSON values: version, and parts by the names of Parts::ALL
      attr_reader :document
      # @return [Hash{String => String}] digest => bytes: what the document names and the former snapshot did not
      attr_reader :blobs

      # @param bytes [String]
      # @return [String] the name a blob goes by
      def self.digest(bytes) = Digest::SHA256.hexdigest(bytes)

      # @param job [Job]
      # @param before [Snapshot, nil] of the job that this one was made from: what they share is not packed again
      # @return [Snapshot]
      def self.dump(job, before: nil)
        packing = Packing.new(before)
        parts =
          Parts::ALL.to_h do |name, part|
            [name, packing.same?(name, job) ? before.document[:parts][name] : part.pack(job.part(name), packing)]
          end
        new(job, { version: VERSION, parts: parts }, packing.blobs)
      end

      # @param document [Hash] with symbols for keys
      # @param blobs [#call] takes a digest, gives the bytes
      # @param near [Snapshot, nil] of another state of the same job: what both have is neither read nor worked out
      #   again
      # @return [Snapshot]
      # @raise [UnsupportedFeatureError] if the document is of a newer version; where: { version: }
      # @raise [FormatError] if it is no document of a job; where: { part: }
      def self.load(document, blobs, near: nil)
        document = Upgrade.call(document, blobs)
        unpacking = Unpacking.new(blobs, near)
        Parts::ALL.each { |name, part| unpacking.add(name, part, document[:parts]) }
        new(near ? near.job.with(dropped: [], **unpacking.changed) : Job.new(**unpacking.parts), document, {})
      end

      def initialize(job, document, blobs)
        @job = job
        @document = document
        @blobs = blobs
        freeze
      end
      private_class_method :new

      # What parts are packed with: blobs are kept, and what has not changed since the former snapshot is taken from
      # there.
      class Packing
        # @return [Hash{String => String}] digest => bytes
        attr_reader :blobs

        def initialize(before)
          @before = before
          @blobs = {}
        end

        # @param bytes [String]
        # @return [String] digest
        def keep(bytes) = Snapshot.digest(bytes).tap { |digest| @blobs[digest] = bytes }

        # @return [Array(Object, Object), nil] the former value of a part, and what it was packed as
        def former(name) = @before && [@before.job.part(name), @before.document[:parts][name]]

        # @return [Boolean] whether a job's part is the very value that was packed before
        def same?(name, job) = !@before.nil? && !job.part(name).nil? && @before.job.part(name).equal?(job.part(name))
      end

      # What parts are unpacked with: blobs by digest, and the parts that are read already.
      class Unpacking
        # @return [Hash{Symbol => Object}]
        attr_reader :parts

        def initialize(blobs, near)
          @blobs = blobs
          @near = near
          @parts = {}
        end

        # @return [Array(Object, Object), nil] the value of a part in the state that is near, and what it was packed as
        def former(name) = @near && [@near.job.part(name), @near.document[:parts][name]]

        # @return [Hash{Symbol => Object}] parts that are not the near state's own
        def changed = parts.reject { |name, value| value.equal?(@near.job.part(name)) }

        def blob(digest) = @blobs.call(digest)
        def part(name) = @parts.fetch(name)

        def add(name, part, plain)
          unless plain.key?(name)
            raise FormatError.new("the job's document lacks its #{name.to_s.tr("_", " ")}", where: { part: name })
          end

          value, packed = former(name)
          @parts[name] = @near && packed == plain[name] ? value : part.unpack(plain[name], self)
        end
      end
      private_constant :Packing, :Unpacking
    end
  end
end
