# frozen_string_literal: true

module SheetTrace
  class Job
    # Faces under labels. A label counts as high as it is wide, as its picture is not at hand here.
    module ArtFaces
      # @param job [Job]
      # @return [Array<Integer>]
      def self.call(job) = job.edition.layers.select { |layer| layer.place && layer.visible }.flat_map { |layer| under(job, layer.place) }.uniq

      def self.under(job, place)
        flat = job.flat_map(place.island)
        x, y = [[0, place.x_mm], [1, place.y_mm]].map { |axis, middle| flat.by_point[axis] - middle }
        cos, sin = [Math.cos(place.turn_rad), Math.sin(place.turn_rad)]
        across, up = [(x * cos) - (y * sin), (x * sin) + (y * cos)]
        map = job.layout.uv_map
        rows = map.island_triangles[place.island]
        points = map.triangles.points[rows, true]
        near = [across, up].map { |values| values[points] }.map { |values| (values.min(axis: 1) < place.width_mm / 2) & (values.max(axis: 1) > -place.width_mm / 2) }
        map.triangles.faces[rows[(near[0] & near[1]).where]].to_a.uniq
      rescue UvError
        []
      end
      private_class_method :under
    end
  end
end
