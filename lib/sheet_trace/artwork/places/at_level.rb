# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A stripe of one width beside the line of one height round the model, through a spot: over seams, islands and
      # parts. The content lies round all of it, or once, its middle at the spot.
      class AtLevel < Kept
        parameter :face, References::Element.new("faces"), "that the spot lies on"
        numbers :at, 3, Parameters::Numbers::WIDE, "the spot, model units"
        number :height_mm, OnIsland::WIDTH_MM, "the stripe's width, measured on the surface"
        number :offset_mm, OnIsland::PLACE_MM, "its middle, above the line", default: 0.0
        flag :all_round, "the content is stretched over the whole line; else it keeps its proportions", default: true

        # Of the line.
        fact :length_mm, Parameters::Number.new(0..1e12)
        # Whether the line comes back to its start.
        fact :closed, Parameters::Flag.new
        # Islands that it lies on.
        fact :islands, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @param canvas [Canvas]
        # @return [Frame, nil] nil if no texel of it is on the sheet
        def frame(canvas, content)
          strip = canvas.strip(self)
          corners, rows = Pieces.corners_px(canvas, strip)
          return if rows.empty?

          texel_map = canvas.texel_map_of(corners)
          return if texel_map.texels.empty?

          width = width(strip, content, canvas.unit_mm)
          across = (((strip.along[rows, true] - (strip.length / 2)) * canvas.unit_mm) / width) + 0.5
          down = 0.5 - (((strip.beside[rows, true] * canvas.unit_mm) - offset_mm) / height_mm)
          TriangleFrame.call(
            texel_map,
            across,
            down,
            covered_px: Pieces.covered_px(corners, across, down),
            endless: strip.closed && all_round
          )
        end

        def facts(job, _content)
          strip = job.strip(self)
          {
            length_mm: strip.length * job.unit_mm,
            closed: strip.closed,
            islands: Pieces.islands(job.layout.uv_map, strip.parents)
          }
        end

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content)
          islands = Pieces.islands(canvas.layout.uv_map, canvas.strip(self).parents)
          [islands, canvas.layout.placements[islands, true].to_a]
        end

        # @param carry [Object] as Job::Carry has it
        # @return [AtLevel] the same height of the surface
        def handed_on(carry) = with(**carry.surface_spot(face, at))

        # @return [String] in words
        def to_words(job, _content)
          "round #{job.mesh.parts[job.mesh.face_parts[face]]}, #{format("%.2f", height_mm).sub(/\.?0+\z/, "")} mm wide"
        end

        # @return [Array] what the strip depends on, and how far it reaches to either side, mm
        def laid_by = [face, at, reach_mm]

        # @return [Float]
        def reach_mm = (height_mm / 2) + offset_mm.abs

        private

        # How much of the line the content takes, mm.
        def width(strip, content, unit_mm) = all_round ? strip.length * unit_mm : height_mm * content.aspect
      end
    end
  end
end
