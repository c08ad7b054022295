# frozen_string_literal: true

module SheetTrace
  # Ways to pick faces, edges and corners of a model. Each finds some from what is picked already, or from a click;
  # what they
  # are added to or taken from is the painter's choice. A corner is a vertex here: all corners of faces that lie in
  # one place.
  # A new way is a file in pick/, its test, and a line here.
  module Pick
    KINDS = %w[faces edges corners].freeze
    WAYS =
      Registry.new(
        "way to pick",
        %w[
          Loop
          Ring
          Run
          Piece
          More
          Fewer
          Others
          Carry
          Mirrored
          Box
          Material
          Part
          Facing
          Flat
          Islands
          Rim
          Angle
          Seams
          MapSeams
          Suggestion
        ].to_h { |constant| [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Pick::#{constant}"] }
      )

    # What parameters of a way are checked in: the job, and the kind that is picked.
    Context = Struct.new(:job, :kind, keyword_init: true)

    # @param job [Job]
    # @param way [String] one of WAYS
    # @param kind [String] one of KINDS: what is to be found
    # @param from [Hash{Symbol => Object}] what the way declares
    # @return [Array<Integer>] indices of that kind, rising but for runs, which go from end to end
    # @raise [UnknownNameError] where: { name: }
    # @raise [InputError] if the way is not for that kind, or lacks what it asks for; where: { kind: } or { name =>
    #   value }
    def self.call(job, way:, kind:, **from)
      unless KINDS.include?(kind)
        raise InputError.new("there is no kind #{kind.inspect}; there are #{KINDS.join(", ")}", where: { kind: kind })
      end

      finder = WAYS.fetch(way)
      unless finder.found.include?(kind)
        raise InputError.new(
                "#{way.tr("_", " ")} finds #{finder.found.join(" and ")}; pick those",
                where: {
                  kind: kind
                }
              )
      end

      finder.call(job, kind, **finder.validated(from, Context.new(job: job, kind: kind)))
    end

    # The same, from values as JSON has them: angles in degrees.
    def self.from_plain(job, way:, kind:, **from) = call(job, way: way, kind: kind, **WAYS.fetch(way).from_plain(from))

    # @return [Integer] elements of a kind that a mesh has
    def self.count(mesh, kind) =
      { "faces" => mesh.face_count, "edges" => mesh.edges.count, "corners" => mesh.vertex_count }.fetch(kind)
  end
end
