# frozen_string_literal: true

module SheetTrace
  module References
    # Faces, edges or corners of the model, or points of the sheet map, by their indices.
    class Elements < Parameters::Type
      # kind => how many there are, what one is called, where
      KINDS = {
        "faces" => [->(job) { job.mesh.face_count }, "face", "the model has"],
        "edges" => [->(job) { job.mesh.edges.count }, "edge", "the model has"],
        "corners" => [->(job) { job.mesh.vertex_count }, "corner", "the model has"],
        "points" => [->(job) { job.layout.uv_map.point_count }, "corner", "the sheet has"]
      }.freeze
      private_constant :KINDS

      # @param kind [String] one of faces, edges, corners, points; some [Boolean] whether there must be one at the least
      def initialize(kind, some: true)
        super()
        @kind = kind.to_sym
        @count, @word, @owner = KINDS.fetch(kind)
        @some = some
      end

      def validate(value, label, context)
        refuse(label, value) unless value.nil? || value.is_a?(Array)
        raise InputError, "no #{@word} is picked; pick some first" if @some && (value.nil? || value.empty?)

        count = @count.call(context.job)
        stranger = value.find { |index| !index.is_a?(Integer) || !index.between?(0, count - 1) }
        return value if stranger.nil? && !value.include?(nil)

        raise InputError.new(
                "there is no #{@word} #{stranger.inspect.slice(0, 60)}; #{@owner} #{count}, counted from 0",
                where: {
                  @kind => stranger
                }
              )
      end

      def to_text = "a list of #{@word}s: their numbers from 0"
      def typescript = "number[]"
    end
  end
end
