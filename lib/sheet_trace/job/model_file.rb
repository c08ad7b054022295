# frozen_string_literal: true

module SheetTrace
  class Job
    # A model's file that was brought in beside the job's own: one file, or a zip of several. Immutable.
    #
    # digest [String] of its bytes; name [String] of the file; bytes [String]
    ModelFile =
      Struct.new(:digest, :name, :bytes, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        # @return [Hash] what is said of it
        def to_h = super.except(:bytes)

        # @return [Formats::Reading]
        # @raise [FormatError, UnsupportedFeatureError, LimitError]
        def reading = Formats.read_files({ name => bytes })

        # @return [ModelFile]
        # @raise [FormatError, UnsupportedFeatureError, LimitError] if it is no model that is read
        def self.of_bytes(bytes, name:)
          new(digest: Digest::SHA256.hexdigest(bytes), name: name, bytes: bytes).tap(&:reading)
        end

        # @param name [String]
        # @return [Boolean] whether a file is called as models are
        def self.model?(name) = %w[.obj .glb .gltf .dae .ply .zip].include?(File.extname(name).downcase)
      end
  end
end
