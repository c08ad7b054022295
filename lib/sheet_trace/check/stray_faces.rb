# frozen_string_literal: true

module SheetTrace
  module Check
    # One or two faces that run on smoothly from a larger island on the model, and lie apart from it on the sheet.
    module StrayFaces
      MOST_FACES = 2
      NEIGHBOUR_FACES = 4
      SMOOTH_RAD = Math::PI / 4 # a sharper edge is a place to cut
      private_constant :MOST_FACES, :NEIGHBOUR_FACES, :SMOOTH_RAD

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        sizes = subject.uv_map.island_faces.map(&:size)
        homes = homes(subject, sizes)
        places =
          homes.map do |island, home|
            Place.new(
              text: "#{subject.names[island]}: belongs to #{subject.names[home]}",
              islands: [island],
              faces: subject.uv_map.island_faces[island].to_a,
              numbers: {
                faces: sizes[island]
              }
            )
          end
        return [] if places.empty?

        [
          Finding.new(
            code: "stray_faces",
            severity: "warning",
            message:
              Check.count(
                places.sum { |place| place.faces.size },
                "stray face lies apart from its island",
                "stray faces lie apart from their islands"
              ).to_s,
            meaning: "They become unpainted spots, or a seam where nobody expects one.",
            places: places,
            mend:
              Mend.new(
                label: "Give them back to their neighbours",
                operation: "give_back_faces",
                parameters: {
                  faces: places.flat_map(&:faces)
                }
              )
          )
        ]
      end

      # @return [Hash{Integer => Integer}] stray islands, and the island with which each shares the most length of
      #   smooth edge
      def self.homes(subject, sizes)
        small =
          subject.seams.select do |_edge, a, b|
            [sizes[a], sizes[b]].min <= MOST_FACES && [sizes[a], sizes[b]].max >= NEIGHBOUR_FACES
          end
        return {} if small.empty?

        smooth = smooth_edges(subject.mesh, small.map(&:first))
        lengths = Hash.new { |all, island| all[island] = Hash.new(0.0) }
        small.each do |edge, a, b|
          stray, home = sizes[a] <= sizes[b] ? [a, b] : [b, a]
          lengths[stray][home] += smooth[edge] if smooth.key?(edge)
        end
        lengths.reject { |_island, shared| shared.empty? }.transform_values { |shared| shared.max_by(&:last).first }
      end

      # @return [Hash{Integer => Float}] edges that bend little, and their lengths
      def self.smooth_edges(mesh, wanted)
        first, second = mesh.edges.paired_corners
        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        cosines =
          Geometry::Vectors.dot(normals[mesh.corner_faces[first], true], normals[mesh.corner_faces[second], true])
        edges = mesh.edges.corner_edges[first]
        bend = edges[(cosines > Math.cos(SMOOTH_RAD)).where].to_a.to_h { |edge| [edge, true] }
        wanted
          .select { |edge| bend[edge] }
          .to_h do |edge|
            a, b = mesh.edges.vertices[edge, true].to_a.map { |vertex| mesh.positions[vertex, true] }
            [edge, Math.sqrt(((a - b)**2).sum)]
          end
      end
      private_class_method :homes, :smooth_edges
    end
  end
end
