# frozen_string_literal: true

module SheetTrace
  class Mesh
    # A plane about which a mesh is its own mirror image, and what becomes what.
    #
    # normal [Array<Float>] unit; offset [Float] of the plane along it, model units
    # tolerance [Float] how far apart mirrored vertices may lie; error [Float] how far apart the worst lie, model units
    # vertex_twins [Numo::Int64] V; edge_twins [Numo::Int64] E; face_twins [Numo::Int64] F,
    # corner_twins [Numo::Int64] C: their mirror images, themselves on the plane
    Symmetry =
      Struct.new(
        :normal,
        :offset,
        :tolerance,
        :error,
        :vertex_twins,
        :edge_twins,
        :face_twins,
        :corner_twins,
        keyword_init: true
      ) do
        def initialize(...)
          super
          each { |member| member.freeze if member.respond_to?(:freeze) }
          freeze
        end

        # @param positions [Numo::DFloat] n x 3
        # @return [Numo::DFloat] n x 3, on the other side of the plane
        def reflect(positions)
          axis = Numo::DFloat[normal]
          positions - (((positions.dot(axis.flatten) - offset) * 2).expand_dims(1) * axis)
        end

        # @return [String] such as "x = 0"
        def plane
          axis = %w[x y z].zip(normal).find { |_, part| part.abs > 1 - 1e-9 }
          return "#{axis[0]} = #{format("%.4g", (offset * axis[1]) + 0.0)}" if axis

          terms = %w[x y z].zip(normal).reject { |_axis, part| part.abs < 1e-9 }
          "#{terms.map { |name, part| "#{format("%.3g", part)} #{name}" }.join(" + ")} = #{format("%.4g", offset)}"
        end
      end
  end
end
