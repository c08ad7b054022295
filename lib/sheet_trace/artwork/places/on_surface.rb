# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # A rectangle round a spot of the model, by its size on the surface: over seams, islands and parts. Each texel
      # asks the surface laid flat round the spot where it lies there, and so where in the content.
      class OnSurface < Kept
        # How far beyond the content's corners the surface is looked at.
        MORE = 1.02
        # Places along each side of the content by which is told how much of it has surface under it.
        GRID = 96
        # Sizes on the sheet by less than this apart count as one, so that an image that is brought down to its texels
        # serves for the next spot, too.
        STEADY = 1.04
        private_constant :MORE, :GRID, :STEADY

        parameter :face, References::Element.new("faces"), "that the spot lies on"
        numbers :at, 3, Parameters::Numbers::WIDE, "the spot, model units"
        number :width_mm, OnIsland::WIDTH_MM, "its height follows from the content's proportions"
        angle :turn_rad, -1000..1000, "clockwise; 0 is upright on the model", default: 0.0
        one_of :way,
               Flatten::RoundSpot::WAYS,
               "smooth: follows the surface without a crack; creased: every face keeps its shape, and cracks open where " \
                 "the surface can't lie flat; square_on: projected straight at the spot, what looks that way",
               default: "smooth"
        flag :over_edges, "goes round edges of the model; stops there otherwise", default: true
        number :depth_mm,
               OnIsland::WIDTH_MM,
               "for square_on: how far before and behind the spot; as far as it reaches if nil",
               optional: true

        fact :height_mm, Parameters::Number.new(0..1e12)
        # Islands that it lies on.
        fact :islands, Parameters::ListOf.new(Parameters::Whole.new(0..10_000_000))
        # Ratio of the larger to the smaller size that a disc comes out with, over what the content covers.
        fact :stretch_mean, Parameters::Number.new(1..1e6)
        fact :stretch_worst, Parameters::Number.new(1..1e6)
        # Length of the cracks in it.
        fact :cracks_mm, Parameters::Number.new(0..1e12)
        # Share of the content that has surface under it.
        fact :laid, Parameters::Number.new(0..1)

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @param content [Object] for its proportions
        # @return [Array(Float, Float)] mm
        def size_mm(content) = [width_mm, width_mm / content.aspect]

        # @param canvas [Canvas]
        # @return [Frame, nil] nil if no texel of it is on the sheet
        def frame(canvas, content)
          laid = canvas.round_spot(self, reach_mm(content))
          map = canvas.layout.uv_map
          rows, shares = under(laid, map, content, canvas.unit_mm)
          return if rows.empty?

          corners, = Pieces.corners_px(canvas, laid, rows)
          across, down = shares.map { |share| share[rows, true] }
          covered_px = Pieces.covered_px(corners, across, down).map { |px| steady(px) }
          Pieces.frame(canvas, corners, laid.parents[rows], across, down, covered_px: covered_px)
        end

        def facts(job, content)
          laid = job.round_spot(self, reach_mm(content))
          rows, shares = under(laid, job.layout.uv_map, content, job.unit_mm)
          areas = laid.areas[rows].copy
          total = [areas.sum, Float::MIN].max
          {
            height_mm: size_mm(content)[1],
            islands: islands(job, laid, rows),
            stretch_mean: rows.empty? ? 1.0 : (laid.stretches[rows] * areas).sum / total,
            stretch_worst: rows.empty? ? 1.0 : laid.stretches[rows].max,
            cracks_mm: cracks_mm(laid, content, job.unit_mm),
            laid: covered_share(rows, shares)
          }
        end

        # @param canvas [Canvas]
        # @return [Array] what of a layout a bake depends on, beside the place itself
        def dependencies(canvas, content)
          laid = canvas.round_spot(self, reach_mm(content))
          islands = Pieces.islands(canvas.layout.uv_map, laid.parents)
          [islands, canvas.layout.placements[islands, true].to_a]
        end

        # @param carry [Object] as Job::Carry has it
        # @return [OnSurface] the same spot of the surface
        def handed_on(carry) = with(**carry.surface_spot(face, at))

        # @return [Float, nil] the least of the islands that it lies on; nil where it lies on none
        def density_px_per_mm(job, content)
          laid = job.round_spot(self, reach_mm(content))
          rows, = under(laid, job.layout.uv_map, content, job.unit_mm)
          islands(job, laid, rows).map { |own| job.measures[own].density_px_per_mm }.min
        end

        # @return [String] in words
        def to_words(job, content)
          width, height = size_mm(content).map { |mm| format("%.2f", mm).sub(/\.?0+\z/, "") }
          part = job.mesh.parts[job.mesh.face_parts[face]]
          "on the surface of #{part}, #{width} x #{height} mm"
        end

        # @return [Array] what the surface laid flat round the spot depends on
        def laid_by = [face, at, way, over_edges, depth_mm]

        private

        def steady(px) = STEADY**Math.log([px, Float::MIN].max, STEADY).round

        def reach_mm(content) = Math.hypot(*size_mm(content)) / 2 * MORE

        # @return [Array(Numo::Int64, Array<Numo::DFloat>)] pieces on the sheet that the content lies on, and for all
        #   pieces where their corners lie in it: across and down, n x 3
        def under(laid, map, content, unit_mm)
          width, height = size_mm(content)
          x, y = Array.new(2) { |axis| laid.places[true, true, axis] * unit_mm }
          cos = Math.cos(turn_rad)
          sin = Math.sin(turn_rad)
          shares = [(((x * cos) - (y * sin)) / width) + 0.5, 0.5 - (((x * sin) + (y * cos)) / height)]
          [(Pieces.under(*shares) & Pieces.mapped(map, laid.parents)).where, shares]
        end

        def islands(job, laid, rows) = rows.empty? ? [] : Pieces.islands(job.layout.uv_map, laid.parents[rows])

        # Of those that both sides of lie in the content.
        def cracks_mm(laid, content, unit_mm)
          return 0.0 if laid.cracks.empty?

          reach = size_mm(content).min / 2
          near = (laid.cracks[true, 0..3].abs.max(axis: 1) * unit_mm).lt(reach).where
          near.empty? ? 0.0 : laid.cracks[near, 4].sum * unit_mm
        end

        # By a raster over the content.
        def covered_share(rows, shares)
          return 0.0 if rows.empty?

          corners = shares.map { |share| share[rows, true].flatten * GRID }
          triangles = Numo::Int32.new(rows.size, 3).seq
          map = Raster::TexelMap.call(Geometry::Vectors.columns(corners), triangles, width_px: GRID, height_px: GRID)
          map.texels.size.fdiv(GRID * GRID)
        end
      end
    end
  end
end
