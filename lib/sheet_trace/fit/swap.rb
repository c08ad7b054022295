# frozen_string_literal: true

module SheetTrace
  module Fit
    # What becomes of a sheet whose underlay is swapped for a picture of another size or other proportions.
    module Swap
      # What showing an underlay would bring.
      #
      # size_px [Array(Integer, Integer)] its own; former_px [Array(Integer, Integer), nil] of the one shown now
      # stretch [Float] of its px over the whole sheet; kept_box [Array(Float, Float, Float, Float)] at the scale of
      # the one shown
      # lost [Float] share that would lie beside the sheet then; followers [Integer] islands that could go along to
      # the same cells
      Prospect =
        Struct.new(:size_px, :former_px, :stretch, :lost, :kept_box, :followers, keyword_init: true) do
          # @return [Boolean] whether it has as many px as the one shown
          def same = former_px.nil? || former_px == size_px
        end

      # @param setup [Setup]; underlay [Underlay] of it; layout [Layout]
      # @return [Prospect]
      def self.prospect(setup, underlay, layout)
        shown = setup.underlay
        kept = underlay.with(box: kept_box(shown, underlay, layout.sheet))
        Prospect.new(
          size_px: underlay.size_px,
          former_px: shown&.size_px,
          stretch: stretch(underlay.with(box: [0.0, 0.0, 1.0, 1.0]), layout.sheet),
          lost: lost(kept),
          kept_box: kept.box,
          followers: shown.equal?(underlay) ? 0 : followers(layout, shown, underlay).size
        )
      end

      # @param shown [Underlay, nil] the one before; without one, a px of the picture is a px of the sheet
      # @param underlay [Underlay]; sheet [Layout::Sheet]
      # @return [Array(Float, Float, Float, Float)] the box of the new one at the same scale, its left upper corner
      #   where that one's is
      def self.kept_box(shown, underlay, sheet)
        left, top, = shown ? shown.box : [0.0, 0.0]
        scale = shown ? shown.to_sheet(sheet).then { |map| [map.a, map.e] } : [1.0, 1.0]
        [left, top, underlay.size_px[0] * scale[0] / sheet.width_px, underlay.size_px[1] * scale[1] / sheet.height_px]
      end

      # @return [Float] share of the picture that lies beside the sheet
      def self.lost(underlay)
        left, top, width, height = underlay.box
        seen =
          [[left, width], [top, height]].map do |from, length|
            [[from + length, 1.0].min - [from, 0.0].max, 0.0].max / length
          end
        1 - seen.reduce(:*)
      end

      # Proportions that differ by less are the same: whole px make no more of a difference.
      ALIKE = 0.005
      private_constant :ALIKE

      # A picture without cells of its own takes those of the one before where both have the same proportions: names
      # and places stay, colours are its own and not known.
      #
      # @param shown [Underlay, nil] the one before; underlay [Underlay]
      # @return [Underlay]
      def self.with_cells(shown, underlay)
        return underlay if shown.nil? || shown.equal?(underlay) || underlay.cells.any? || !alike?(shown, underlay)

        across, down = [0, 1].map { |axis| underlay.size_px[axis].fdiv(shown.size_px[axis]) }
        underlay.with(cells: shown.cells.map { |cell| cell.scaled(across, down) })
      end

      def self.alike?(shown, underlay)
        ratio = [shown, underlay].map { |own| own.size_px.reduce(:fdiv) }.reduce(:/)
        (ratio - 1).abs < ALIKE
      end
      private_class_method :alike?

      # @return [Float] how much wider than high px of the picture are shown; 1 where they are square
      def self.stretch(underlay, sheet) = underlay.to_sheet(sheet).then { |map| map.a / map.e }

      # @param layout [Layout]; shown [Underlay, nil]; underlay [Underlay]
      # @return [Array<Array(Integer, Cell, Cell)>] islands that lie in a cell of the one, with the other's cell of
      #   the same name
      def self.followers(layout, shown, underlay)
        return [] unless shown

        same = underlay.cells.to_h { |cell| [cell.name, cell] }
        (0...layout.uv_map.island_count).filter_map do |island|
          cell = IntoCell.home(layout, island, shown)
          [island, cell, same[cell.name]] if cell && same.key?(cell.name)
        end
      end
    end
  end
end
