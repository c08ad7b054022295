# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # How finely a sheet is looked at while islands are packed on it.
      class Cells
        LEAST_PX = 0.25
        private_constant :LEAST_PX

        # @return [Float] px along a fine cell's side: a whole number, or a half, a quarter ... of one; and along a
        #   coarse one's
        attr_reader :fine_px, :coarse_px
        # @return [Integer] fine rows of the sheet
        attr_reader :rows

        # @param size_px [Array(Float, Float)] of the sheet within its margin
        # @param most [Integer] coarse cells along its longer side
        def initialize(size_px, most)
          side = size_px.max / (most * Grid::FINE)
          @fine_px = side > 1 ? side.ceil.to_f : [2.0**Math.log2(side).ceil, LEAST_PX].max
          @coarse_px = @fine_px * Grid::FINE
          @columns = (size_px[0] / @coarse_px).floor
          @rows = (size_px[1] / @fine_px).floor
          freeze
        end

        # @return [Float] px that the fine rows come to
        def height_px = rows * fine_px

        # @return [Float] fine cells that lie between two things so many px apart
        def reach(gutter_px) = gutter_px / fine_px

        # @param beyond [Float] how many times as many rows it has as the sheet
        # @return [Grid]
        def grid(beyond, gutter_px) = Grid.new(@columns, (rows * beyond / Grid::FINE).ceil, reach(gutter_px).ceil)
      end
    end
  end
end
