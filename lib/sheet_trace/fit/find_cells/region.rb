# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # Connected px of a picture that belong together.
      #
      # x, y [Integer] left upper corner of its box; mask [Numo::Bit] h x w
      Region =
        Struct.new(:x, :y, :mask, keyword_init: true) do
          def width = mask.shape[1]
          def height = mask.shape[0]
          def area = @area ||= mask.count

          # @return [Array(Integer, Integer)] row and column of its first px
          def first = mask.flatten.where[0].divmod(width).then { |row, column| [row + y, column + x] }

          # @return [Numo::Bit] h x w, with what it encloses
          def filled
            framed = Numo::UInt8.zeros(height + 2, width + 2)
            framed[1..-2, 1..-2] = mask
            labels = Label.call(framed)
            labels.ne(labels[0, 0])[1..-2, 1..-2]
          end
        end
    end
  end
end
