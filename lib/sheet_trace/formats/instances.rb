# frozen_string_literal: true

module SheetTrace
  module Formats
    # Parts that are another part once more, turned and moved, with the same UVs, materials and colours: formats with
    # nodes write such a part once and place it several times.
    class Instances
      # Places may differ by this share of a part's size, components of normals by so much.
      TOLERANCE = 1e-6
      SAME_NORMAL = 1e-4
      private_constant :TOLERANCE, :SAME_NORMAL

      # @param model [Model]
      # @return [Hash{Integer => Array(Integer, Numo::DFloat)}] part => the part that it repeats, and the 4 x 4 matrix
      #   from there, model units
      def self.call(model) = new(model).send(:found)

      def initialize(model)
        @mesh = model.mesh
        @sets = model.used_sets
      end
      private_class_method :new

      private

      def found
        @mesh
          .identical_parts
          .each_with_object({}) do |group, all|
            leaders = []
            group.each do |part|
              own = leaders.lazy.filter_map { |leader| matrix(leader, part)&.then { |onto| [leader, onto] } }.first
              own ? all[part] = own : leaders << part
            end
          end
      end

      # @return [Numo::DFloat, nil] nil where it is more than a move, or looks otherwise
      def matrix(leader, part)
        return unless look(leader) == look(part)

        before, after = [leader, part].map { |own| @mesh.positions[@mesh.corner_vertices[corners(own)], true] }
        onto = move(before, after) or return
        size = (before.max(axis: 0) - before.min(axis: 0)).max
        return if (Geometry::Transform.apply(onto, before) - after).abs.max > TOLERANCE * size

        onto if same_normals?(onto, leader, part)
      end

      # What of a part must be the same to the bit.
      def look(part)
        faces = @mesh.face_parts.eq(part).where
        rows = corners(part)
        [
          @mesh.face_materials[faces].to_a,
          @mesh.corner_colors && @mesh.corner_colors[rows, true].to_a,
          *@sets.map { |set| [set.face_mapped[faces].to_a, set.uvs[set.corner_uvs[rows], true].to_a] }
        ]
      end

      def corners(part) = Mesh::IdenticalParts.corners(@mesh, part)

      def same_normals?(onto, leader, part)
        return true unless @mesh.corner_normals

        before, after = [leader, part].map { |own| @mesh.corner_normals[corners(own), true] }
        (Geometry::Transform.apply_to_normals(onto, before) - after).abs.max < SAME_NORMAL
      end

      # The turn and move that brings the widest triangle of corners onto the same ones of the other part.
      #
      # @return [Numo::DFloat, nil] nil where all corners lie in a line
      def move(before, after)
        rows = widest(before)
        bases = [before, after].map { |places| basis(places[rows, true]) }
        return unless bases.all?

        turn = bases[1].dot(bases[0].transpose)
        Numo::DFloat
          .eye(4)
          .tap do |matrix|
            matrix[0..2, 0..2] = turn
            matrix[0..2, 3] = after[rows[0], true] - turn.dot(before[rows[0], true])
          end
      end

      # Two corners far from each other, and the one that is farthest from their line.
      def widest(places)
        from = Geometry::Vectors.lengths(places - places.mean(axis: 0)).max_index
        apart = places - places[from, true]
        to = Geometry::Vectors.lengths(apart).max_index
        line = Numo::DFloat.zeros(*places.shape) + apart[to, true]
        [from, to, Geometry::Vectors.lengths(Geometry::Vectors.cross(apart, line)).max_index]
      end

      # @return [Numo::DFloat, nil] 3 x 3, a direction a column
      def basis(three)
        along = three[1, true] - three[0, true]
        beside = three[2, true] - three[0, true]
        normal = Geometry::Vectors.cross(along.expand_dims(0), beside.expand_dims(0))[0, true]
        axes = [along, normal, Geometry::Vectors.cross(along.expand_dims(0), normal.expand_dims(0))[0, true]]
        lengths = axes.map { |axis| Math.sqrt((axis**2).sum) }
        return if lengths.min.zero?

        Numo::DFloat.vstack(axes.zip(lengths).map { |axis, length| axis / length }).transpose.copy
      end
    end
  end
end
