# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # What places have in common that lie beside a line on the surface: a stripe of one width, over seams, islands and
      # parts. They have height_mm, offset_mm, all_round and trim_mm, and say their line in .line(mesh) and what that
      # depends on in .laid_by.
      module BesideLine
        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @param canvas [Canvas]
        # @return [Frame, nil] nil if no texel of it is on the sheet
        def frame(canvas, content)
          strip = canvas.strip(self)
          corners, rows = Pieces.corners_px(canvas, strip)
          return if rows.empty?

          across, down = content_corners(strip, rows, content, canvas.unit_mm)
          Pieces.frame(
            canvas,
            corners,
            strip.parents[rows],
            across,
            down,
            covered_px: Pieces.covered_px(corners, across, down),
            endless: strip.closed && all_round && trim_mm.sum.zero?
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

        # @raise [MeshError] where the line can't be drawn
        def ready(job, _content) = job.strip(self)

        # @param canvas [Canvas]
        # @return [Array] what of its layout a bake depends on, beside the place itself
        def dependencies(canvas, _content)
          islands = Pieces.islands(canvas.layout.uv_map, canvas.strip(self).parents)
          [islands, canvas.layout.placements[islands, true].to_a]
        end

        # @return [Float, nil] the least of the islands that it lies on; nil where it lies on none
        def density_px_per_mm(job, content)
          facts(job, content)[:islands].map { |own| job.measures[own].density_px_per_mm }.min
        end

        # @return [Float] how far the strip must reach to either side, mm
        def reach_mm = (height_mm / 2) + offset_mm.abs

        private

        # @return [Array<Numo::DFloat>] r x 3 each: where the corners lie in the content, across and down
        def content_corners(strip, rows, content, unit_mm)
          from, to = [trim_mm[0], (strip.length * unit_mm) - trim_mm[1]]
          width = all_round ? [to - from, 1e-9].max : height_mm * content.aspect
          across = (((strip.along[rows, true] * unit_mm) - ((from + to) / 2)) / width) + 0.5
          [across, 0.5 - (((strip.beside[rows, true] * unit_mm) - offset_mm) / height_mm)]
        end

        def width_in_words = format("%.2f", height_mm).sub(/\.?0+\z/, "")
      end
    end
  end
end
