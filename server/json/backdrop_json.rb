# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Underlays, cells and landmarks of a job.
    module BackdropJson
      # @param job [SheetTrace::Job]
      def self.call(job)
        backdrop = job.backdrop
        { shown: backdrop.shown, inset_px: backdrop.inset_px, underlays: backdrop.underlays.map { |underlay| underlay(underlay, job.sheet) }, landmarks: landmarks(job) }
      end

      # Corners of cells are px of the sheet; the rest of them px of the picture.
      def self.underlay(underlay, sheet)
        { name: underlay.name, picture: underlay.picture, picture_px: underlay.picture_px, size_px: underlay.size_px, recipe: underlay.recipe, box: underlay.box,
          opacity: underlay.opacity, locked: underlay.locked, reference: underlay.reference, scale_note: underlay.scale_note,
          stretch: SheetTrace::Fit::Swap.stretch(underlay, sheet),
          cells: underlay.cells.map { |cell| { **cell.to_h, corners_px: underlay.corners_px(cell, sheet) } } }
      end

      def self.landmarks(job)
        map = job.layout.uv_map
        off = SheetTrace::Fit::FitLandmarks.residuals(job.layout, job.backdrop.landmarks)
        job.backdrop.landmarks.zip(off).map do |mark, px|
          { triangle: mark.triangle, shares: mark.shares, island: mark.island(map), at_px: mark.at(map, job.layout.points_px), to_px: job.sheet.uv_to_px.at(*mark.to), off_px: px }
        end
      end

      # A file of cells, to be used with another job or program.
      def self.cell_file(underlay)
        { width_px: underlay.size_px[0], height_px: underlay.size_px[1], cells: underlay.cells.map { |cell| cell.to_h.compact } }
      end
      private_class_method :underlay, :landmarks
    end
  end
end
