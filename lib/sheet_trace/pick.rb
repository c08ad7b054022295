# frozen_string_literal: true

module SheetTrace
  # Ways to pick faces, edges and corners of a model. Each finds some from what is picked already, or from a click; what they
  # are added to or taken from is the painter's choice. A corner is a vertex here: all corners of faces that lie in one place.
  # A new way is a file in pick/, its test, and a line here.
  module Pick
    KINDS = %w[faces edges corners].freeze
    WAYS = Registry.new("way to pick", %w[
      Loop Ring Run Piece More Fewer Others Carry Mirrored Box Material Part Facing Flat Islands Rim Angle Seams MapSeams Suggestion
    ].to_h { |constant| [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Pick::#{constant}"] })

    # @param job [Job]
    # @param way [String] one of WAYS
    # @param kind [String] one of KINDS: what is to be found
    # @param from [Hash{Symbol => Object}] what the way asks for
    # @return [Array<Integer>] indices of that kind, rising but for runs, which go from end to end
    # @raise [UnknownNameError] where: { name: }
    # @raise [InputError] if the way is not for that kind, or lacks what it asks for; where: { kind: } or { way: }
    def self.call(job, way:, kind:, **from)
      raise InputError.new("there is no kind #{kind.inspect}; there are #{KINDS.join(", ")}", where: { kind: kind }) unless KINDS.include?(kind)

      finder = WAYS.fetch(way)
      check_from(finder.method(:call).parameters, from, way)
      finder.call(job, kind, **from)
    end

    def self.check_from(parameters, from, way)
      needed, known = [[:keyreq], %i[keyreq key]].map { |types| parameters.filter_map { |type, name| name if types.include?(type) } }
      lacking = needed - from.keys
      raise InputError.new("the pick #{way} lacks #{lacking.join(", ")}", where: { way: way }) if lacking.any?

      strange = from.keys - known
      raise InputError.new("the pick #{way} takes no #{strange.join(", ")}", where: { way: way }) if strange.any?
    end
    private_class_method :check_from

    # @param indices [Object] as they came in
    # @return [Array<Integer>]
    # @raise [InputError] where: { kind => the first that there is not }
    def self.checked(job, kind, indices)
      raise InputError.new("picked #{kind} are #{indices.inspect.slice(0, 40)}; give a list of whole numbers", where: { kind.to_sym => nil }) unless indices.is_a?(Array)

      count = count(job.mesh, kind)
      stranger = indices.find { |index| !index.is_a?(Integer) || !index.between?(0, count - 1) }
      return indices if stranger.nil?

      raise InputError.new("there is no #{kind.delete_suffix("s")} #{stranger.inspect}; the model has #{count}, counted from 0", where: { kind.to_sym => stranger })
    end

    # @return [Integer] elements of a kind that a mesh has
    def self.count(mesh, kind) = { "faces" => mesh.face_count, "edges" => mesh.edges.count, "corners" => mesh.vertex_count }.fetch(kind)

    # @raise [InputError] where: { kind: }
    def self.only_for(kinds, kind, way)
      return if kinds.include?(kind)

      raise InputError.new("#{way} finds #{kinds.join(" and ")}; pick those", where: { kind: kind })
    end
  end
end
