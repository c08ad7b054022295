# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Pictures that were brought in, the whole one first, and what was not read of them.
    module BroughtJson
      SHAPE = Shape::Record.new("Brought", pictures: Shapes::PICTURE.list, notes: Shape::TEXT.list)
      SHAPES = [SHAPE].freeze

      def self.call(pictures, notes) = { pictures: pictures, notes: notes }
    end
  end
end
