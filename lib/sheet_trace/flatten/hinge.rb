# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Lays faces flat beside what is flat already: each is turned about the edge that it shares with a placed face until
    # it lies in the plane, in its true shape and at that edge's scale, like the leaf of a hinge.
    class Hinge
      # @param mesh [Mesh]
      # @param corner_places [Numo::DFloat] C x 2, px (y down), right for the corners of placed faces
      # @param groups [Numo::Int32] F: the piece of each face
      # @param faces [Array<Integer>] to be laid
      # @param homes [Hash{Integer => Integer}] face => the piece it goes to
      # @param mirrored [Hash{Integer => Boolean}] of each piece
      # @return [Array(Numo::DFloat, Numo::Int32)] corner places and groups with the faces laid; faces that touch no
      #   placed face of their piece stay as they were
      def self.call(mesh, corner_places, groups, faces:, homes:, mirrored:) =
        new(mesh, corner_places, groups, homes, mirrored).send(:lay, faces)

      def initialize(mesh, corner_places, groups, homes, mirrored)
        @mesh = mesh
        @places = corner_places.copy
        @groups = groups.copy
        @homes = homes
        @mirrored = mirrored
        @across = across
        @flat = SquareOn.call(mesh)
      end
      private_class_method :new

      private

      # @return [Hash{Integer => Integer}] corner => the corner on the other side of its edge
      def across
        first, second = @mesh.edges.paired_corners
        first
          .to_a
          .zip(second.to_a)
          .each_with_object({}) do |(a, b), all|
            all[a] = b
            all[b] = a
          end
      end

      def lay(faces)
        waiting = faces.dup
        waiting.each { |face| @groups[face] = -1 - @homes[face] }
        until waiting.empty?
          ready = waiting.select { |face| hinge(face) }
          break if ready.empty?

          # Faces of one round don't lean on each other's half-laid neighbours.
          ready.each { |face| place(face, hinge(face)) }
          waiting -= ready
        end
        [@places, @groups]
      end

      def corners(face) = @mesh.face_starts[face]...@mesh.face_starts[face + 1]

      # The longest edge that the face shares with a placed face of its piece.
      def hinge(face)
        near =
          corners(face).select do |corner|
            (other = @across[corner]) && @groups[@mesh.corner_faces[other]] == @homes[face]
          end
        near.max_by { |corner| length(corner) }
      end

      def length(corner)
        a, b = [corner, @mesh.next_corners[corner]].map { |at| @flat[at, true].to_a }
        Math.hypot(a[0] - b[0], a[1] - b[1])
      end

      def place(face, corner)
        other = @across[corner]
        ends = [corner, @mesh.next_corners[corner]]
        # Neighbours run along their edge in opposite directions, unless one of them is turned round.
        placed = [other, @mesh.next_corners[other]]
        placed.reverse! if @mesh.corner_vertices[placed[0]] != @mesh.corner_vertices[ends[0]]
        turn = similarity(ends.map { |at| local(at, face) }, placed.map { |at| Complex(*@places[at, true].to_a) })
        known = known_places(face)
        corners(face).each do |at|
          spot = known[@mesh.corner_vertices[at]] || turn.call(local(at, face)).rect
          @places[at, true] = Numo::DFloat[*spot]
        end
        @groups[face] = @homes[face]
      end

      # px run down and the face's own plane up; a mirrored piece runs the other way across too.
      def local(corner, face)
        x, y = @flat[corner, true].to_a
        Complex(@mirrored[@homes[face]] ? -x : x, -y)
      end

      def similarity((a, b), (p, q))
        factor = a == b ? Complex(1) : (q - p) / (b - a)
        ->(z) { p + (factor * (z - a)) }
      end

      # Corners that other edges of the placed piece fix already.
      def known_places(face)
        corners(face).each_with_object({}) do |corner, known|
          other = @across[corner]
          next unless other && @groups[@mesh.corner_faces[other]] == @homes[face]

          [other, @mesh.next_corners[other]].each { |at| known[@mesh.corner_vertices[at]] = @places[at, true].to_a }
        end
      end
    end
  end
end
