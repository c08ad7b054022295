# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Sets of seam edges: a bit for each edge of a mesh, 1 where the surface is cut.
    module Seams
      # @param mesh [Mesh]
      # @return [Numo::Bit] E: no seam at all
      def self.none(mesh) = Numo::Bit.zeros(mesh.edges.uses.size)

      # Edges at which the surface bends by more than a limit.
      #
      # @param mesh [Mesh]
      # @param limit_rad [Float]
      # @return [Numo::Bit] E
      # @raise [InputError] where: { angle: }
      def self.by_angle(mesh, limit_rad)
        unless limit_rad.between?(0, Math::PI)
          raise InputError.new("angle limit is #{limit_rad}; give 0 to 180 degrees", where: { angle: limit_rad })
        end

        first, second = mesh.edges.paired_corners
        return none(mesh) if first.empty?

        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        cosines =
          Geometry::Vectors.dot(normals[mesh.corner_faces[first], true], normals[mesh.corner_faces[second], true])
        none(mesh).tap do |bits|
          mark(bits, mesh.edges.corner_edges[first[(cosines < Math.cos(limit_rad) - 1e-12).where]])
        end
      end

      # Edges between faces of different groups, such as materials, parts or facings.
      #
      # @param groups [Numo::Int32] F
      # @return [Numo::Bit] E
      def self.between(mesh, groups)
        first, second = mesh.edges.paired_corners
        return none(mesh) if first.empty?

        parted = groups[mesh.corner_faces[first]].ne(groups[mesh.corner_faces[second]]).where
        none(mesh).tap { |bits| mark(bits, mesh.edges.corner_edges[first[parted]]) }
      end

      # Edges at which a sheet map is cut; what is not on the sheet hangs together, and is parted from what is.
      #
      # @param uv_map [UvMap]
      # @return [Numo::Bit] E
      def self.of_map(uv_map)
        mesh = uv_map.mesh
        first, second = mesh.edges.paired_corners
        return none(mesh) if first.empty?

        on = [first, second].map { |corners| uv_map.face_mapped[mesh.corner_faces[corners]] }
        together = (same_points(uv_map, first, second) & on[0] & on[1]) | (~on[0] & ~on[1])
        none(mesh).tap { |bits| mark(bits, mesh.edges.corner_edges[first[(~together).where]]) }
      end

      # Whether both ends of edges are the same points on either side.
      def self.same_points(uv_map, first, second)
        near, far =
          [first, second].map do |corners|
            [corners, uv_map.mesh.next_corners[corners]].map { |ends| uv_map.corner_points[ends] }
          end
        (near[0].eq(far[1]) & near[1].eq(far[0])) | (near[0].eq(far[0]) & near[1].eq(far[1]))
      end

      def self.mark(bits, edges)
        bits[edges] = 1 unless edges.empty?
      end
      private_class_method :same_points, :mark
    end
  end
end
