# frozen_string_literal: true

module SheetTrace
  class Job
    # A layout of a surface, as one of the same surface in other faces: what became of a face lies where it lay.
    class CarriedLayout
      # @param former [SheetTrace::Layout]
      # @param mesh [Mesh] the other faces
      # @param origins [Numo::Int64] by face of it: the former face that it is, or is a piece of
      # @param pairs [Numo::Int64, nil] by corner of the mesh: the former corner that it is, -1 where there is none, as
      #   Mesh::PairCorners has them; those that lie where they lay if nil
      # @return [SheetTrace::Layout]
      def self.call(former, mesh, origins, pairs: nil) = new(former, mesh, origins, pairs).send(:carried)

      def initialize(former, mesh, origins, pairs)
        @pairs = pairs
        @former = former
        @before = former.uv_map.mesh
        @mesh = mesh
        @known = origins.ge(0)
        @origins = origins.clip(0, nil)
      end
      private_class_method :new

      private

      def carried
        map =
          UvMap::Build.call(
            @mesh,
            corner_uvs,
            Numo::Int32.new(@mesh.corner_count).seq,
            @former.uv_map.face_mapped[@origins] & @known,
            groups: @former.uv_map.face_islands[@origins]
          )
        SheetTrace::Layout.new(uv_map: map, sheet: @former.sheet)
      end

      def corner_uvs
        uvs = @former.corner_uvs
        found = Numo::DFloat.zeros(@mesh.corner_count, 2)
        stay, former = same_corners
        found[stay, true] = uvs[former, true] unless stay.empty?
        left = Numo::Bit.ones(@mesh.corner_count).tap { |bits| bits[stay] = 0 unless stay.empty? }
        left &= (@former.uv_map.face_mapped[@origins] & @known)[@mesh.corner_faces]
        left.where.to_a.each { |corner| found[corner, true] = uv_within(uvs, corner) }
        found
      end

      # @return [Array(Numo::Int64, Numo::Int64)] corners that lie where the former face's own lies, and those
      def same_corners
        return @pairs.ge(0).where.then { |rows| [rows, rows.empty? ? rows : @pairs[rows]] } if @pairs

        faces = @mesh.corner_faces
        sizes = [@before, @mesh].map { |mesh| mesh.face_starts[1..] - mesh.face_starts[0..-2] }
        rows = sizes[0][@origins].eq(sizes[1])[faces].where
        return rows, rows if rows.empty?

        first = @before.face_starts[@origins[faces[rows]]]
        former = first + rows - @mesh.face_starts[faces[rows]]
        places = [[@mesh, rows], [@before, former]].map { |mesh, own| mesh.positions[mesh.corner_vertices[own], true] }
        same = places[0].eq(places[1]).all?(axis: 1).where
        [rows[same], former[same]]
      end

      # @return [Numo::DFloat] 2: where a corner lies within the face that its own is a piece of, or on one beside that
      #   in the same island, where its own is made of both
      def uv_within(uvs, corner)
        place = @mesh.positions[@mesh.corner_vertices[corner], true].to_a
        triangle, shares = @before.nearest_spot(with_neighbours(@origins[@mesh.corner_faces[corner]]), place)
        own = uvs[@before.triangulation.corners[triangle, true], true]
        (own * Numo::DFloat.cast(shares).expand_dims(1)).sum(axis: 0)
      end

      def with_neighbours(face)
        islands = @former.uv_map.face_islands
        mapped = @former.uv_map.face_mapped
        beside = @before.face_neighbours[face].select { |own| mapped[own] == 1 && islands[own] == islands[face] }
        [face, *beside]
      end
    end
  end
end
