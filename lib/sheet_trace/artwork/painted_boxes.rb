# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Where a patch has paint: one box, or several where its paint lies far apart, as that of a decal on two islands
    # does.
    module PaintedBoxes
      # Texels without paint from which on what lies on either side is taken apart.
      GAP_PX = 16
      private_constant :GAP_PX

      # @param patch [Patch]
      # @return [Array<Box>] of the sheet, tight
      def self.call(patch)
        found(patch.pixels.ge(Px::LEAST_ALPHA), patch.box)
      end

      # By columns, then by rows, until neither parts it.
      def self.found(painted, box)
        columns, rows = [0, 1].map { |axis| runs(painted.any?(axis)) }
        return [] if columns.empty?

        boxes =
          rows
            .product(columns)
            .map { |down, across| Box.new(box.left_px + across.begin, box.top_px + down.begin, across.size, down.size) }
        return boxes if boxes.size == 1

        boxes.flat_map { |own| found(painted[*own.seen_from(box).ranges], own) }
      end

      # @return [Array<Range>] of places that are not 0, with gaps shorter than such
      def self.runs(painted)
        places = painted.where.to_a
        places.slice_when { |former, place| place - former > GAP_PX }.map { |own| own.first...(own.last + 1) }
      end
      private_class_method :found, :runs
    end
  end
end
