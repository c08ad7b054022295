# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Which faces a layer shows on: those of all that is named, or all and the sheet beside them where nothing is.
    # Immutable.
    #
    # islands, parts, materials, faces [Array<Integer>, nil]
    Mask =
      Struct.new(:islands, :parts, :materials, :faces, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Boolean] whether it lets the whole sheet through
        def whole? = to_a.all?(&:nil?)

        # @param uv_map [UvMap]
        # @return [Numo::Bit] K: 1 for the triangles it shows on
        def triangles(uv_map)
          mesh = uv_map.mesh
          own = uv_map.triangles
          listed = {
            islands: own.islands,
            parts: mesh.face_parts[own.faces],
            materials: mesh.face_materials[own.faces],
            faces: own.faces
          }
          listed.reduce(Numo::Bit.zeros(own.faces.size)) do |found, (name, numbers)|
            wanted = self[name]
            wanted.nil? || wanted.empty? || numbers.empty? ? found : found | wanted_bits(wanted, numbers.max)[numbers]
          end
        end

        # @param carry [Object] what becomes of islands and faces, as Job::Carry has it
        # @return [Mask] the same of another map
        def handed_on(carry)
          with(
            islands: islands && carry.islands(islands),
            parts: parts && carry.parts(parts),
            materials: materials && carry.materials(materials),
            faces: faces && carry.faces(faces)
          )
        end

        # @param names [Hash{Symbol => Array<String>}] of islands, parts and materials
        # @return [String, nil] what it shows on, in words; nil for the whole sheet
        def to_words(names)
          named = names.flat_map { |kind, all| (self[kind] || []).map { |index| all[index] } }
          named << "#{faces.size} faces" if faces
          return if whole?

          named.size > 3 ? "#{named.first(2).join(", ")} and #{named.size - 2} more" : named.join(", ")
        end

        private

        def wanted_bits(wanted, most) = Numo::Bit.zeros([most, wanted.max].max + 1).tap { |bits| bits[wanted] = 1 }
      end
  end
end
