# frozen_string_literal: true

module SheetTrace
  class Job
    # Faces under what is set on islands.
    module ArtFaces
      # @param job [Job]
      # @return [Array<Integer>]
      def self.call(job)
        job
          .artwork
          .worn
          .select { |layer| layer.shown? && layer.place.island }
          .flat_map { |layer| under(job, layer.place, layer.place.size_mm(layer.content)) }
          .uniq
      end

      def self.under(job, place, (width, height))
        flat = job.flat_map(place.island)
        x, y = [[0, place.x_mm], [1, place.y_mm]].map { |axis, middle| flat.by_point[axis] - middle }
        cos, sin = [Math.cos(place.turn_rad), Math.sin(place.turn_rad)]
        sides = [[(x * cos) - (y * sin), width], [(x * sin) + (y * cos), height]]
        map = job.layout.uv_map
        rows = map.island_triangles[place.island]
        points = map.triangles.points[rows, true]
        near =
          sides.map do |values, length|
            values[points].then { |own| (own.min(axis: 1) < length / 2) & (own.max(axis: 1) > -length / 2) }
          end
        map.triangles.faces[rows[(near[0] & near[1]).where]].to_a.uniq
      rescue UvError
        []
      end
      private_class_method :under
    end
  end
end
