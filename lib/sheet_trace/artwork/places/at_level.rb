# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A stripe of one width beside the line of one height round the model, through a spot: over seams, islands and
      # parts. The content lies round all of it, or once, its middle at the spot.
      class AtLevel < Kept
        include BesideLine

        parameter :face, References::Element.new("faces"), "that the spot lies on"
        numbers :at, 3, Parameters::Numbers::WIDE, "the spot, model units"
        number :height_mm, OnIsland::WIDTH_MM, "the stripe's width, measured on the surface"
        number :offset_mm, OnIsland::PLACE_MM, "its middle, above the line", default: 0.0
        flag :all_round, "the content is stretched over the whole line; else it keeps its proportions", default: true
        numbers :trim_mm,
                2,
                0.0..1_000_000.0,
                "how much of the line is left free at its start and end",
                default: [0.0, 0.0]

        # Of the line.
        fact :length_mm, Parameters::Number.new(0..1e12)
        # Whether the line comes back to its start.
        fact :closed, Parameters::Flag.new
        # Islands that it lies on.
        fact :islands, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))

        # @param mesh [Mesh]
        # @return [Array(Array<Flatten::LevelLine::Segment>, Boolean)] the line, and whether it is closed
        def line(mesh)
          triangle = Flatten::LevelLine.triangle_at(mesh, face, at)
          triangle ? Flatten::LevelLine.call(mesh.welded, triangle, at[1]) : [[], false]
        end

        # @param carry [Object] as Job::Carry has it
        # @return [AtLevel] the same height of the surface
        def handed_on(carry) = with(**carry.surface_spot(face, at))

        # @return [String] in words
        def to_words(job, _content)
          "round #{job.mesh.parts[job.mesh.face_parts[face]]}, #{width_in_words} mm wide"
        end

        # @return [Array] what the strip depends on, and how far it reaches to either side, mm
        def laid_by = [face, at, reach_mm]
      end
    end
  end
end
