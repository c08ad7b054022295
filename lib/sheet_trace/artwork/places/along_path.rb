# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A stripe of one width beside a path through spots of the model. Edges of the model, or an island's rim, are told
      # as the spots of their ends. The content lies over all of the path, or once, in its middle.
      class AlongPath < Kept
        include BesideLine

        MOST_SPOTS = 5000
        private_constant :MOST_SPOTS

        spot =
          Parameters::Record.new(References) do
            parameter :face, References::Element.new("faces")
            numbers :at, 3, Parameters::Numbers::WIDE, "model units"
          end
        parameter :spots, Parameters::ListOf.new(spot), "that it goes through", default: []
        flag :back, "goes back to the first spot", default: false
        edges :edges, "of the model, end to end, in the place of spots", optional: true
        island :rim_of, "the outer rim of this island, in the place of spots", optional: true
        number :height_mm, OnIsland::WIDTH_MM, "the stripe's width, measured on the surface"
        number :offset_mm, OnIsland::PLACE_MM, "its middle, to the left of the path", default: 0.0
        flag :all_round, "the content is stretched over the whole path; else it keeps its proportions", default: true
        numbers :trim_mm,
                2,
                0.0..1_000_000.0,
                "how much of the path is left free at its start and end",
                default: [0.0, 0.0]

        # Of the path.
        fact :length_mm, Parameters::Number.new(0..1e12)
        # Whether the path comes back to its start.
        fact :closed, Parameters::Flag.new
        # Islands that it lies on.
        fact :islands, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))

        # Edges and rims become spots at once, so that nothing depends on how the surface is cut.
        #
        # @raise [InputError] where there is no path
        def validated(context)
          own = super
          own = own.with(**own.send(:from_edges, context.job.mesh, own.edges)) if own.edges
          own = own.with(**own.send(:from_rim, context.job)) if own.rim_of
          return own if own.spots.size.between?(2, MOST_SPOTS)

          raise InputError.new(
                  "a path goes through 2 to #{MOST_SPOTS} spots; this has #{own.spots.size}",
                  where: {
                    spots: own.spots.size
                  }
                )
        end

        # @return [Hash] without what became spots
        def to_document = to_h.except(:edges, :rim_of)

        # @param mesh [Mesh]
        # @return [Array(Array<Flatten::LevelLine::Segment>, Boolean)] the line, and whether it is closed
        def line(mesh)
          [Flatten::PathThrough.call(mesh, spots.map { |spot| [spot[:face], spot[:at]] }, closed: back), back]
        end

        # @param carry [Object] as Job::Carry has it
        # @return [AlongPath] through the same spots of the surface
        def handed_on(carry) = with(spots: spots.map { |spot| carry.surface_spot(spot[:face], spot[:at]) })

        # @return [String] in words
        def to_words(job, _content)
          parts = spots.map { |spot| job.mesh.parts[job.mesh.face_parts[spot[:face]]] }.uniq
          "along a path on #{parts.first(3).join(", ")}, #{width_in_words} mm wide"
        end

        # @return [Array] what the strip depends on, and how far it reaches to either side, mm
        def laid_by = [spots, back, reach_mm]

        private

        def from_edges(mesh, edges)
          vertices, closed = Mesh::EdgeRun.call(mesh.edges.vertices[edges, true].to_a)
          spots_at(mesh, vertices).merge(back: closed)
        end

        def from_rim(job)
          map = job.layout.uv_map
          triangles = map.triangles.points[map.island_triangles[rim_of], true]
          rim = Flatten::Border.call(triangles).max_by { |own| length(job.mesh, map.point_vertices[own].to_a) }
          raise InputError.new("#{job.island_names[rim_of]} has no rim", where: { rim_of: rim_of }) unless rim

          spots_at(job.mesh, map.point_vertices[rim].to_a).merge(back: true)
        end

        def length(mesh, vertices)
          places = mesh.positions[vertices, true].to_a
          places.zip(places.rotate).sum { |from, to| Geometry::Triple.distance(from, to) }
        end

        def spots_at(mesh, vertices)
          faces = mesh.corner_faces.to_a.zip(mesh.corner_vertices.to_a).to_h { |face, vertex| [vertex, face] }
          spots = vertices.map { |vertex| { face: faces.fetch(vertex), at: mesh.positions[vertex, true].to_a } }
          { spots: spots, edges: nil, rim_of: nil }
        end
      end
    end
  end
end
