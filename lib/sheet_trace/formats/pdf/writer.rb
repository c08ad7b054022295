# frozen_string_literal: true

require "stringio"

module SheetTrace
  module Formats
    module Pdf
      # Writes a drawing as PDF in true size, lines as vectors: on one page as large as it is, or over pages of a
      # printer's paper with marks to put them together by.
      # Source: ISO 32000-1:2008 (PDF 1.7), written by cairo.
      class Writer
        POINTS_PER_MM = 72 / 25.4
        PAPERS_MM = { "a4" => [210.0, 297.0], "a3" => [297.0, 420.0], "letter" => [215.9, 279.4] }.freeze
        # What printers leave white, and how far neighbouring pages share the drawing.
        MARGIN_MM = 10.0
        SHARED_MM = 8.0
        MARK_MM = 4.0
        private_constant :POINTS_PER_MM, :MARGIN_MM, :SHARED_MM, :MARK_MM

        # @param scene [Drawing::Scene]
        # @param px_per_mm [Float]
        # @param label [Label, nil]
        # @param paper [String, nil] of PAPERS_MM; a page as large as the drawing if nil
        # @return [String]
        def self.call(scene, px_per_mm:, label: nil, paper: nil) = new(scene, px_per_mm, label, paper).send(:written)

        def initialize(scene, px_per_mm, label, paper)
          @scene = scene
          @px_per_mm = px_per_mm
          @label = label
          @size_mm = [scene.width_px, scene.height_px].map { |px| px / px_per_mm }
          @paper_mm = paper ? upright_or_lying(PAPERS_MM.fetch(paper)) : @size_mm
          @whole = paper.nil?
        end
        private_class_method :new

        private

        # Whichever way needs fewer sheets.
        def upright_or_lying(paper)
          [paper, paper.reverse].min_by { |own| pages(own).reduce(:*) }
        end

        # @return [Array(Integer, Integer)] pages across and down
        def pages(paper)
          room = paper.map { |side| side - (2 * MARGIN_MM) }
          @size_mm
            .zip(room)
            .map { |long, side| long <= side ? 1 : (((long - SHARED_MM) / (side - SHARED_MM)) - 1e-9).ceil }
        end

        def written
          out = StringIO.new("".b)
          surface = Cairo::PDFSurface.new(out, *@paper_mm.map { |mm| mm * POINTS_PER_MM })
          surface.set_metadata(Cairo::PDFMetadata::TITLE, @label.title.to_s) if @label
          surface.set_metadata(Cairo::PDFMetadata::KEYWORDS, @label.to_s) if @label
          context = Cairo::Context.new(surface)
          context.scale(POINTS_PER_MM, POINTS_PER_MM)
          @whole ? whole(context) : tiled(context)
          surface.finish
          out.string
        end

        def whole(context)
          draw(context, 0, 0)
          context.show_page
        end

        def draw(context, left_mm, top_mm)
          context.save do
            context.translate(-left_mm, -top_mm)
            context.scale(1 / @px_per_mm, 1 / @px_per_mm)
            @scene.draw(context)
          end
        end

        def tiled(context)
          across, down = pages(@paper_mm)
          room = @paper_mm.map { |side| side - (2 * MARGIN_MM) }
          down.times do |row|
            across.times do |column|
              left, top = [column, row].zip(room).map { |i, side| i * (side - SHARED_MM) }
              context.save do
                context.translate(MARGIN_MM, MARGIN_MM)
                context.rectangle(0, 0, *room)
                context.clip
                draw(context, left, top)
              end
              marks(context, room, "#{row + 1} down, #{column + 1} across of #{down} x #{across}")
              context.show_page
            end
          end
        end

        # Crosses where the shared strips of neighbouring pages meet, and which page it is.
        def marks(context, room, name)
          context.set_source_rgb(0, 0, 0)
          context.line_width = 0.15
          [0, room[0]].product([0, room[1]])
            .each do |x, y|
              inner =
                [[x, room[0]], [y, room[1]]].map do |at, side|
                  MARGIN_MM + (at.zero? ? SHARED_MM / 2 : side - (SHARED_MM / 2))
                end
              [[MARK_MM, 0], [0, MARK_MM]].each do |right, lower|
                context.move_to(inner[0] - right, inner[1] - lower)
                context.line_to(inner[0] + right, inner[1] + lower)
              end
            end
          context.stroke
          text =
            Drawing::Words.new(
              text: [@label&.title, name].compact.reject(&:empty?).join("  "),
              x: @paper_mm[0] / 2,
              y: @paper_mm[1] - (MARGIN_MM / 2),
              size_px: 3.0,
              color: Drawing::Color.new(0, 0, 0)
            )
          text.draw(context)
        end
      end
    end
  end
end
