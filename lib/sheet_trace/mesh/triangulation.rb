# frozen_string_literal: true

module SheetTrace
  class Mesh
    # The faces of a mesh cut into T triangles.
    #
    # corners [Numo::Int32] T x 3 corner indices, wound as the face
    # faces   [Numo::Int32] T face indices, rising
    Triangulation =
      Struct.new(:corners, :faces, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end

        def count = faces.size
      end
  end
end
