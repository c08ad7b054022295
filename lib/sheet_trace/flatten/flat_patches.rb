# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Groups faces that lie in one plane beside each other, and shows each group as seen straight on, upright.
    module FlatPatches
      # Faces whose normals differ by less lie in one plane.
      FLAT_COS = Math.cos(0.5 * Math::PI / 180)

      # faces [Array<Integer>]; corners [Numo::Int64] theirs; places [Numo::DFloat] by corner, model units, the least
      # x and y at 0
      # extent [Array(Float, Float)] width and height; touching [Array<Integer>] faces beside the patch
      Patch = Struct.new(:faces, :corners, :places, :extent, :touching, keyword_init: true)

      # @param mesh [Mesh]
      # @param faces [Array<Integer>]
      # @return [Array<Patch>]
      def self.call(mesh, faces)
        near = mesh.face_neighbours
        wanted = faces.to_h { |face| [face, true] }
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        done = {}
        faces.filter_map do |start|
          next if done[start]

          patch = grow(start, near, wanted, normals, done)
          build(mesh, patch, near)
        end
      end

      def self.grow(start, near, wanted, normals, done)
        done[start] = true
        patch = [start]
        patch.each do |face|
          near[face].each do |other|
            next if done[other] || !wanted[other] || (normals[start, true] * normals[other, true]).sum < FLAT_COS

            done[other] = true
            patch << other
          end
        end
        patch
      end

      def self.build(mesh, faces, near)
        corners = Numo::Int64.cast(faces.flat_map { |face| (mesh.face_starts[face]...mesh.face_starts[face + 1]).to_a })
        normal = Geometry::Vectors.unit(mesh.face_area_vectors[faces, true].sum(axis: 0).reshape(1, 3))
        positions = mesh.positions[mesh.corner_vertices[corners], true]
        columns = Axes.call(normal).map { |axis| positions.dot(axis.flatten) }.map { |values| values - values.min }
        Patch.new(
          faces: faces,
          corners: corners,
          places: Geometry::Vectors.columns(columns),
          extent: columns.map(&:max),
          touching: faces.flat_map { |face| near[face] }.uniq - faces
        )
      end
      private_class_method :grow, :build
    end
  end
end
