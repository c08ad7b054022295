# frozen_string_literal: true

module SheetTrace
  module Pick
    # The shortest way between two clicks: edges or corners from vertex to vertex along edges, faces from face to face
    # across edges.
    module Run
      extend Way

      whole :start, 0..1_000_000_000, "a vertex, or a face where faces are picked"
      whole :stop, 0..1_000_000_000, "the same"

      # @param start [Integer] a vertex, or a face where faces are picked
      # @param stop [Integer] the same
      def self.call(job, kind, start:, stop:)
        return faces(job, start, stop) if kind == "faces"

        run = Mesh::PickEdges.shortest_run(job.mesh, start, stop)
        return run if kind == "edges"

        run.flat_map { |edge| job.mesh.edges.vertices[edge, true].to_a }.push(start).uniq
      end

      def self.faces(job, start, stop)
        [start, stop].each { |face| References::Element.new("faces").validate(face, "face", Context.new(job: job)) }
        mesh = job.mesh
        owners, vertices = Touching.pairs(mesh, "faces")
        middles =
          (
            Geometry::Grouped.sum_rows(owners, mesh.positions[vertices, true], mesh.face_count) /
              mesh.face_sizes.expand_dims(1)
          ).to_a
        near = mesh.face_neighbours
        way =
          Geometry::ShortestPath.call([start], [stop]) do |face|
            near[face].map do |other|
              [other, other, Math.sqrt(middles[face].zip(middles[other]).sum { |a, b| (a - b)**2 })]
            end
          end
        way ? [start, *way] : []
      end
      private_class_method :faces
    end
  end
end
