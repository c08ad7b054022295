# frozen_string_literal: true

module SheetTrace
  class Layout
    # How much of each island is seen from around the model: views from directions spread evenly over the sphere, each
    # looked at as a raster
    # of depths. An island that is seen as wide as it is from wherever it faces comes to 1; hidden faces lower its
    # share.
    # Source: directions by the Fibonacci lattice, Gonzalez, "Measurement of areas on a sphere using Fibonacci and
    #   latitude-longitude
    # lattices", Mathematical Geosciences 42, 2010.
    module Visibility
      VIEWS = 42
      RASTER = 320
      private_constant :VIEWS, :RASTER

      # @param uv_map [UvMap]
      # @return [Array<Float>] by island: share of the area turned to the eye, over all views, that nothing hides
      def self.call(uv_map)
        mesh = uv_map.mesh
        islands = uv_map.face_islands.copy
        islands[(~uv_map.face_mapped).where] = uv_map.island_count if uv_map.face_mapped.eq(0).any?
        seen = Numo::DFloat.zeros(uv_map.island_count + 1)
        turned = Numo::DFloat.zeros(uv_map.island_count + 1)
        directions.each do |direction|
          faces, cell = faces_seen(mesh, direction)
          seen += Numo::DFloat.cast(islands[faces].bincount(minlength: seen.size)) * cell unless faces.empty?
          turned +=
            Geometry::Grouped.sum(
              islands,
              mesh.face_area_vectors.dot(Numo::DFloat.cast(direction)).clip(0, nil),
              seen.size
            )
        end
        seen
          .to_a
          .zip(turned.to_a)
          .first(uv_map.island_count)
          .map { |own, all| all.positive? ? [own / all, 1.0].min : 0.0 }
      end

      def self.directions
        Array.new(VIEWS) do |i|
          y = 1 - ((2.0 * i) + 1).fdiv(VIEWS)
          angle = i * Math::PI * (3 - Math.sqrt(5))
          radius = Math.sqrt(1 - (y * y))
          [radius * Math.sin(angle), y, radius * Math.cos(angle)]
        end
      end

      # @return [Array(Numo::Int32, Float)] the foremost face at each cell of a raster that is not empty, and the
      #   area of a cell, square model units
      def self.faces_seen(mesh, direction)
        normal = Numo::DFloat.cast(direction).reshape(1, 3)
        *plane, depths = [*Flatten::Axes.call(normal), normal].map { |axis| mesh.positions.dot(axis.flatten) }
        low, high = plane.map(&:minmax).transpose
        span = [high.zip(low).map { |most, least| most - least }.max, Float::MIN].max
        cut = mesh.triangulation
        vertices = mesh.corner_vertices[cut.corners]
        corners = Numo::DFloat.zeros(*vertices.shape, 2)
        2.times { |axis| corners[true, true, axis] = (plane[axis][vertices] - low[axis]) / span * RASTER }
        [cut.faces[foremost(corners, depths[vertices].mean(axis: 1))], (span / RASTER)**2]
      end

      # @return [Numo::Int32] the triangle nearest to the eye, by its middle, at each cell that is not empty
      def self.foremost(corners, depths)
        far_first = depths.sort_index
        cells, rows = Raster::Rasterise.call(corners[far_first, true, true], RASTER, RASTER)
        raster = Numo::Int32.new(RASTER * RASTER).fill(-1)
        raster[cells] = far_first[rows] unless cells.empty? # later ones lie over earlier ones
        raster[raster.ge(0).where]
      end
      private_class_method :directions, :faces_seen, :foremost
    end
  end
end
